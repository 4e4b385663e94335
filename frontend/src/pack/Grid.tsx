import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useEffect, useRef, type KeyboardEvent } from "react";
import type { RowFault } from "../api/schema";
import type { Column } from "./columns";
import { cellAfter, type Cell } from "./gridKeys";
import { GridRow } from "./GridRow";
import type { Row, Splice } from "./usePackDraft";
import type { Sorting } from "./useShownRows";

const ROW_HEIGHT = 38;
const HEAD_HEIGHT = 36;
const STUB_WIDTH = 96;
/** So many rows stand before the one the page was opened at. */
const ROWS_BEFORE = 3;

type GridProps<Item> = {
  label: string;
  columns: Column<Item>[];
  rows: Row<Item>[];
  /** The numbers of the rows shown, in their order. */
  shown: number[];
  faultsByRow: Map<number, RowFault[]>;
  sorting: Sorting;
  onSort: (sorting: Sorting) => void;
  chosen: ReadonlySet<number>;
  onChoose: (chosen: ReadonlySet<number>) => void;
  current: number;
  onCurrent: (row: number) => void;
  splice: Splice<Item>;
  /** What an empty row at the end begins as; without it there is none. */
  blank?: Item | undefined;
  /** The key of the row that is put in next. */
  nextKey: number;
};

function pressed({ key, ctrlKey: isCtrl }: KeyboardEvent, { selectionStart: start, selectionEnd: end, value }: HTMLInputElement) {
  const isAll = start === 0 && end === value.length;
  return { key, isCtrl, isAtStart: isAll || end === 0, isAtEnd: isAll || start === value.length };
}

/** The rows of a pack as a grid of fields. Only the rows in sight are on the page. */
export function Grid<Item>(props: GridProps<Item>) {
  const { columns, rows, shown, blank, sorting, onSort, chosen, onChoose, current } = props;
  const frame = useRef<HTMLDivElement>(null);
  // The rows in sight change as the frame scrolls, which the compiler cannot follow.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: shown.length + (blank === undefined ? 0 : 1),
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    initialOffset: Math.max(0, current - ROWS_BEFORE) * ROW_HEIGHT,
    scrollPaddingEnd: HEAD_HEIGHT,
  });
  const inSight = useRef(current);
  const place = shown.indexOf(current);
  useEffect(() => {
    // Where another row has become the current one, not where the same is sorted elsewhere.
    if (inSight.current !== current && place >= 0) virtual.scrollToIndex(place);
    inSight.current = current;
  }, [virtual, current, place]);
  // A grid that is empty as it is opened is there to be written in.
  const isOpened = useRef(rows.length > 0);
  useEffect(() => {
    const first = isOpened.current ? undefined : frame.current?.querySelector<HTMLElement>("[data-place='0']");
    if (!first) return;
    isOpened.current = true;
    first.focus();
  });
  const width = columns.reduce((sum, column) => sum + column.width, STUB_WIDTH);
  const areAllChosen = shown.length > 0 && shown.every((row) => chosen.has(rows[row]?.key ?? -1));

  /** The column from which Tab went on through a row: Enter goes on there in the next one. */
  const tabbedFrom = useRef<string>(undefined);
  const onKeyDown = (event: KeyboardEvent) => {
    const field = event.target;
    if (!(field instanceof HTMLInputElement) || !field.dataset.column) return;
    if (event.key === "Tab") {
      tabbedFrom.current ??= field.dataset.column;
      return;
    }
    const from = { row: Number(field.dataset.place), column: columns.findIndex(({ id }) => id === field.dataset.column) };
    const next = event.key === "Enter" ? below(from) : cellAfter(from, pressed(event, field), size());
    if (!next) return;
    tabbedFrom.current = undefined;
    event.preventDefault();
    virtual.scrollToIndex(next.row);
    const column = columns[next.column]?.id;
    requestAnimationFrame(() => {
      const cell = frame.current?.querySelector<HTMLInputElement>(`[data-place="${next.row}"][data-column="${column}"]`);
      cell?.focus();
      if (next.row === from.row) cell?.select();
    });
  };
  const size = () => ({
    rows: shown.length + (blank === undefined ? 0 : 1),
    columns: columns.length,
    page: Math.max(1, Math.floor(((frame.current?.clientHeight ?? 0) - HEAD_HEIGHT) / ROW_HEIGHT)),
  });
  /** Enter goes on in the next row, in the column from which Tab began. */
  const below = ({ row, column }: Cell): Cell | undefined => {
    if (row + 1 >= size().rows) return undefined;
    const tabbed = columns.findIndex(({ id }) => id === tabbedFrom.current);
    return { row: row + 1, column: tabbed < 0 ? column : tabbed };
  };

  return (
    <div
      ref={frame}
      role="grid"
      aria-label={props.label}
      aria-rowcount={shown.length + (blank === undefined ? 1 : 2)}
      className="min-h-0 overflow-auto rounded-xl border border-edge bg-card"
      onKeyDown={onKeyDown}
      onMouseDown={() => (tabbedFrom.current = undefined)}
    >
      <div style={{ width }}>
        <div role="row" className="sticky top-0 z-1 flex h-9 items-center border-b border-edge bg-paper font-semibold">
          <span role="columnheader" className="flex shrink-0 items-center gap-2 px-2" style={{ width: STUB_WIDTH }}>
            <input
              type="checkbox"
              aria-label="Choose all rows shown"
              className="size-6 accent-moss"
              checked={areAllChosen}
              onChange={() =>
                onChoose(areAllChosen ? new Set() : new Set(shown.flatMap((row) => rows[row]?.key ?? [])))
              }
            />
            No.
          </span>
          {columns.map((column) => {
            const isSorted = sorting?.column === column.id;
            const next = !isSorted ? false : sorting.isDown ? undefined : true;
            return (
              <span
                key={column.id}
                role="columnheader"
                aria-sort={!isSorted ? "none" : sorting.isDown ? "descending" : "ascending"}
                className="shrink-0"
                style={{ width: column.width }}
              >
                <button
                  type="button"
                  className="flex min-h-8 w-full items-center gap-1 px-2 text-left"
                  onClick={() => onSort(next === undefined ? undefined : { column: column.id, isDown: next })}
                >
                  {column.label}
                  {isSorted && (sorting.isDown ? <ArrowDown className="size-4" aria-hidden /> : <ArrowUp className="size-4" aria-hidden />)}
                </button>
              </span>
            );
          })}
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const isBlank = item.index === shown.length && blank !== undefined;
            const number = isBlank ? rows.length : (shown[item.index] ?? 0);
            // The empty row has the key of the row it becomes, so that typing goes on in it.
            const row = isBlank ? { key: props.nextKey, item: blank } : rows[number];
            if (!row) return null;
            return (
              <GridRow
                key={row.key}
                top={item.start}
                height={ROW_HEIGHT}
                stubWidth={STUB_WIDTH}
                place={item.index}
                number={number}
                item={row.item}
                columns={columns}
                faults={props.faultsByRow.get(number)}
                isCurrent={number === current}
                isChosen={chosen.has(row.key)}
                onCurrent={() => props.onCurrent(number)}
                onChoose={() => {
                  const next = new Set(chosen);
                  if (!next.delete(row.key)) next.add(row.key);
                  onChoose(next);
                }}
                isBlank={isBlank}
                splice={props.splice}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}
