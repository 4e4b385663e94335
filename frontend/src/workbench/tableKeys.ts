import type { TableRun } from "./state/useTableRun";

/** Whether a key already answers at the table; then it means nothing else. */
export function answersAtTable(table: TableRun, key: string): boolean {
  const shown = table.steps.at(-1)?.table;
  if (shown?.phase !== "asking" || !table.isAtEnd) return false;
  return shown.question?.kind === "letters" || (shown.question?.choices.some((slat) => slat.letter === key) ?? false);
}

/** The actions of those keys that do not answer at the table. */
export function besidesTable(
  table: TableRun,
  actions: Record<string, (() => void) | undefined>,
): Record<string, (() => void) | undefined> {
  return Object.fromEntries(
    Object.entries(actions).map(([key, action]) => [key, answersAtTable(table, key) ? undefined : action]),
  );
}
