import type { QuestionEvidence, Says } from "../../api/schema";

/** The verdicts from the gravest on: what a maker looks at first. */
const GRAVEST_FIRST: Says[] = [
  "probably keyed wrong",
  "misleading",
  "time is never enough",
  "too hard",
  "too hard, or keyed wrong: these runs cannot tell",
  "too easy",
  "fine",
  "too few to say",
];

/** How grave a verdict is, the gravest first, from 0. */
export function rankOf(says: Says): number {
  return GRAVEST_FIRST.indexOf(says);
}

/** The place of the first question with the gravest verdict. */
export function gravestOf(questions: QuestionEvidence[]): number {
  const ranks = questions.map(({ says }) => rankOf(says));
  return Math.max(0, ranks.indexOf(Math.min(...ranks)));
}
