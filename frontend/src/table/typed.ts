import type { QuestionShown, Table } from "../api/schema";

/** Whether typing a whole answer is the one way to answer. */
export function isTypedAlone(table: Table, { kind, choices }: QuestionShown): boolean {
  return table.typing && choices.length === 0 && kind !== "letters";
}

/** Whether characters are what the table waits for: those of an answer, or letters of a word. */
export function isTypingAsked({ phase, question }: Table): boolean {
  return phase === "asking" && question !== null && question.choices.length === 0;
}

/** Whether the answer by which players judge their own is still to be looked at. */
export function isHidden({ kind, answer }: QuestionShown): boolean {
  return kind === "judged" && answer === "";
}
