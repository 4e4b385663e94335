import type { Details, Kind, Question } from "../api/schema";

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

export const KINDS: Kind[] = ["choice", "truth", "typed", "number", "letters", "sort"];

type ListField = "right" | "wrong";
type TextDetail = "topic" | "hint" | "note" | "tolerance" | "pinned" | "picture" | "sound" | "narration";
type NumberDetail = "level" | "worth" | "seconds" | "misses";

export const TEXT_DETAILS: [TextDetail, string][] = [
  ["topic", "Topic"],
  ["hint", "Hint"],
  ["note", "Note"],
  ["tolerance", "Tolerance"],
  ["pinned", "Pinned choice"],
  ["picture", "Picture"],
  ["sound", "Sound"],
  ["narration", "Read out"],
];
export const NUMBER_DETAILS: [NumberDetail, string][] = [
  ["level", "Level"],
  ["worth", "Worth"],
  ["seconds", "Seconds"],
  ["misses", "Misses"],
];

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
    textColumn("topic", "Topic"),
    ...NUMBER_DETAILS.filter(([name]) => name !== "misses" || used(name)).map(([name, label]) => numberColumn(name, label)),
    ...TEXT_DETAILS.filter(([name]) => name !== "topic" && used(name)).map(([name, label]) =>
      textColumn(name, label),
    ),
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

function textColumn(name: TextDetail, label: string): Column {
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

function numberColumn(name: NumberDetail, label: string): Column {
  return {
    id: name,
    label,
    width: 84,
    field: name,
    number: 0,
    read: (question) => String(question.details[name] ?? ""),
    unfit: numberFault,
    write: (question, text) => {
      if (numberFault(text) !== undefined) return undefined;
      return withDetails(question, { [name]: text.trim() ? Number(text) : null });
    },
  };
}

/** Why a text is no number that can be kept; undefined if it is one, or empty. */
export function numberFault(text: string): string | undefined {
  const isRead = /^\s*([-+]?\d{1,9})?\s*$/.test(text);
  return isRead ? undefined : "This is not a whole number; the last one still holds.";
}

export function withDetails(question: Question, change: Partial<Details>): Question {
  return { ...question, details: { ...question.details, ...change } };
}
