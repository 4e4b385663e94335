import type { Option } from "../../../ui/fields";

/** Names to choose from, or none; the one chosen stays to be seen even if it is gone. */
export function optionsOf(names: string[], chosen: string, none = "none"): Option<string>[] {
  const found = names.map((name) => ({ value: name, label: name }));
  const lost = chosen && !names.includes(chosen) ? [{ value: chosen, label: `${chosen}, which is gone` }] : [];
  return [{ value: "", label: none }, ...found, ...lost];
}
