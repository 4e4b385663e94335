import { ONLY_AT_END, PLACES } from "../../../api/parts";
import type { StepView } from "../../../api/schema";

/** The names of the counters of a game, as the table shows them. */
export function countersAt(steps: StepView[]): string[] {
  return steps[0]?.table.players[0]?.counters.map(({ name }) => name) ?? [];
}

/** The names that words of a game can have filled in: its counters first. */
export function placesFor(counters: string[], isAtEnd = false): string[] {
  const known = Object.keys(PLACES).filter((name) => isAtEnd || !ONLY_AT_END.includes(name));
  return [...new Set(["name", ...counters, "points", ...known])];
}
