import { useMemo, useState } from "react";
import type { Kind, Question, RowFault } from "../api/schema";
import type { Column } from "./columns";
import type { Row } from "./usePackDraft";

export type Filter = { find: string; topic: string; kind: Kind | ""; level: string; onlyFaulty: boolean };
export type Sorting = { column: string; isDown: boolean } | undefined;

const EVERYTHING: Filter = { find: "", topic: "", kind: "", level: "", onlyFaulty: false };

/** Which rows are shown, in which order: their numbers in the pack. */
export function useShownRows(rows: Row<Question>[], faults: RowFault[], columns: Column<Question>[]) {
  const [filter, setFilter] = useState(EVERYTHING);
  const [sorting, setSorting] = useState<Sorting>();
  const faultsByRow = useMemo(() => {
    const byRow = new Map<number, RowFault[]>();
    for (const fault of faults) byRow.set(fault.row, [...(byRow.get(fault.row) ?? []), fault]);
    return byRow;
  }, [faults]);
  const shown = useMemo(() => {
    const wanted = filter.find.trim().toLocaleLowerCase();
    const numbers = rows.flatMap(({ item: question }, row) => {
      const { details } = question;
      const fits =
        (!filter.topic || details.topic === filter.topic) &&
        (!filter.kind || question.kind === filter.kind) &&
        (!filter.level || String(details.level ?? "") === filter.level) &&
        (!filter.onlyFaulty || faultsByRow.has(row)) &&
        (!wanted ||
          [question.prompt, ...question.right, ...question.wrong, details.topic, details.note].some((text) =>
            text.toLocaleLowerCase().includes(wanted),
          ));
      return fits ? [row] : [];
    });
    const column = columns.find(({ id }) => id === sorting?.column);
    if (!column) return numbers;
    const text = (row: number) => {
      const question = rows[row]?.item;
      return question ? column.read(question) : "";
    };
    numbers.sort((one, other) => text(one).localeCompare(text(other), undefined, { numeric: true }));
    return sorting?.isDown ? numbers.reverse() : numbers;
  }, [rows, faultsByRow, filter, sorting, columns]);
  return { shown, faultsByRow, filter, setFilter, sorting, setSorting };
}
