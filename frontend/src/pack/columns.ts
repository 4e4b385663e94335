import { NUMBER_DETAILS, TEXT_DETAILS } from "../api/parts";
import type { Details, Question } from "../api/schema";
import { numberFault } from "../ui/fields/numbers";

/** One column of the pack grid: how a cell is read from a question, and written back. */
export type Column = {
  id: string;
  label: string;
  width: number;
  /** The field of a question, and which one of it, as faults name them. */
  field: string;
  number: number;
  read: (question: Question) => string;
  /** The question with the cell changed; undefined if the text cannot stand there. */
  write: (question: Question, text: string) => Question | undefined;
  /** Why the text cannot stand there; undefined if it can. */
  unfit?: (text: string) => string | undefined;
};

type ListField = "right" | "wrong";
type TextDetail = (typeof TEXT_DETAILS)[number]["name"];
type NumberDetail = (typeof NUMBER_DETAILS)[number]["name"];

const WIDTHS: Record<string, number> = { note: 220, hint: 180, topic: 130 };

/** The columns that hold everything these questions carry, and a few to write in. */
export function columnsFor(questions: Question[]): Column[] {
  const most = (field: ListField, least: number) =>
    questions.reduce((count, question) => Math.max(count, question[field].length), least);
  const used = (name: TextDetail | NumberDetail) =>
    questions.some((question) => question.details[name] !== "" && question.details[name] !== null);
  return [
    {
      id: "prompt",
      label: "Question",
      width: 340,
      field: "prompt",
      number: 0,
      read: (question) => question.prompt,
      write: (question, prompt) => ({ ...question, prompt }),
    },
    ...listColumns("right", "Right answer", most("right", 1)),
    ...listColumns("wrong", "Wrong", most("wrong", 3)),
    ...TEXT_DETAILS.filter(({ name }) => name === "topic").map(textColumn),
    ...NUMBER_DETAILS.filter(({ name }) => name !== "misses" || used(name)).map(numberColumn),
    ...TEXT_DETAILS.filter(({ name }) => name !== "topic" && used(name)).map(textColumn),
  ];
}

function listColumns(field: ListField, label: string, count: number): Column[] {
  return Array.from({ length: count }, (_, number) => ({
    id: `${field}-${number}`,
    label: count > 1 ? `${label} ${number + 1}` : label,
    width: 150,
    field,
    number,
    read: (question) => question[field][number] ?? "",
    write: (question, text) => {
      const texts = Array.from({ length: Math.max(number + 1, question[field].length) }, (_, place) =>
        place === number ? text : (question[field][place] ?? ""),
      );
      while (texts.length > 0 && texts[texts.length - 1] === "") texts.pop();
      return { ...question, [field]: texts };
    },
  }));
}

function textColumn({ name, label }: (typeof TEXT_DETAILS)[number]): Column {
  return {
    id: name,
    label,
    width: WIDTHS[name] ?? 120,
    field: name,
    number: 0,
    read: (question) => question.details[name],
    write: (question, text) => withDetails(question, { [name]: text }),
  };
}

function numberColumn({ name, label }: (typeof NUMBER_DETAILS)[number]): Column {
  return {
    id: name,
    label,
    width: 84,
    field: name,
    number: 0,
    read: (question) => String(question.details[name] ?? ""),
    unfit: (text) => numberFault(text, "none"),
    write: (question, text) => {
      if (numberFault(text, "none") !== undefined) return undefined;
      return withDetails(question, { [name]: text.trim() ? Number(text) : null });
    },
  };
}

export function withDetails(question: Question, change: Partial<Details>): Question {
  return { ...question, details: { ...question.details, ...change } };
}
