import { NUMBER_DETAILS, TEXT_DETAILS } from "../api/parts";
import type { Details, Question } from "../api/schema";
import { numberFault } from "../ui/fields/numbers";

/** One column of a grid: how a cell is read from a row's item, and written back. */
export type Column<Item> = {
  id: string;
  label: string;
  width: number;
  /** The field of a question, and which one of it, as faults name them. */
  field: string;
  number: number;
  read: (item: Item) => string;
  /** The item with the cell changed; undefined if the text cannot stand there. */
  write: (item: Item, text: string) => Item | undefined;
  /** Why the text cannot stand there; undefined if it can. */
  unfit?: (text: string) => string | undefined;
};

type ListField = "right" | "wrong" | "replies";
type TextDetail = (typeof TEXT_DETAILS)[number]["name"];
type NumberDetail = (typeof NUMBER_DETAILS)[number]["name"];

const WIDTHS: Record<string, number> = { note: 220, hint: 180, topic: 130 };

/** The columns that hold everything these questions carry, and a few to write in. */
export function columnsFor(questions: Question[]): Column<Question>[] {
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
    ...listColumns("replies", "Reply to wrong", most("replies", 0)),
    ...TEXT_DETAILS.filter(({ name }) => name === "topic").map(textColumn),
    ...NUMBER_DETAILS.filter(({ name }) => name !== "misses" || used(name)).map(numberColumn),
    ...TEXT_DETAILS.filter(({ name }) => name !== "topic" && used(name)).map(textColumn),
  ];
}

function listColumns(field: ListField, label: string, count: number): Column<Question>[] {
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

function textColumn({ name, label }: (typeof TEXT_DETAILS)[number]): Column<Question> {
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

function numberColumn({ name, label }: (typeof NUMBER_DETAILS)[number]): Column<Question> {
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

const WIDEST = 320;

/** The columns of facts, as wide as their first rows want. */
export function factColumns(names: string[], rows: string[][]): Column<string[]>[] {
  return names.map((label, at) => {
    const longest = rows.slice(0, 50).reduce((most, row) => Math.max(most, row[at]?.length ?? 0), label.length);
    return {
      id: `fact-${at}`,
      label,
      width: Math.min(WIDEST, 40 + 9 * longest),
      field: label,
      number: 0,
      read: (cells) => cells[at] ?? "",
      write: (cells, text) => names.map((_, place) => (place === at ? text : (cells[place] ?? ""))),
    };
  });
}
