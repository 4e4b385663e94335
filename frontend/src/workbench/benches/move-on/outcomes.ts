import { NEW_ROUND } from "../../../api/parts";
import type { Moves } from "../../../api/schema";
import { toldOf } from "../../../ui/fields/told";

export type Outcome = keyof Moves;

/** What a question that is done with came to, as ways tell it apart. */
export const OUTCOMES = Object.keys(NEW_ROUND.moves) as Outcome[];

/** A short word for an outcome. */
export function wordFor(outcome: Outcome): string {
  return toldOf(`rounds[0].moves.${outcome}`).short || outcome;
}
