/** Names to choose from, or none; the one chosen stays to be seen even if it is gone. */
export function optionsOf(names: string[], chosen: string): [string, string][] {
  const found = names.map((name): [string, string] => [name, name]);
  const lost: [string, string][] = chosen && !names.includes(chosen) ? [[chosen, `${chosen}, which is gone`]] : [];
  return [["", "none"], ...found, ...lost];
}
