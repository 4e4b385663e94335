import { NEW_ROUND } from "../../../api/parts";
import type { Moves, Round } from "../../../api/schema";
import { countsParts } from "../parts/countsParts";
import { toldOf } from "../../../ui/fields/told";

export type Outcome = keyof Moves;

const OUTCOMES = Object.keys(NEW_ROUND.moves) as Outcome[];

/** What a question of a round that is done with can come to, as ways tell it apart. */
export function outcomesOf({ check, moves }: Round): Outcome[] {
  const canBePartly = countsParts(check) || moves.partly.to !== NEW_ROUND.moves.partly.to;
  return OUTCOMES.filter((outcome) => outcome !== "partly" || canBePartly);
}

/** A short word for an outcome. */
export function wordFor(outcome: Outcome): string {
  return toldOf(`rounds[0].moves.${outcome}`).short || outcome;
}
