import { CircleAlert } from "lucide-react";
import { useState } from "react";
import type { RowFault } from "../api/schema";
import type { Column } from "./columns";
import type { Splice } from "./usePackDraft";

type GridRowProps<Item> = {
  top: number;
  height: number;
  stubWidth: number;
  /** Which of the rows shown, from 0. */
  place: number;
  /** Which row of the pack, from 0. */
  number: number;
  item: Item;
  columns: Column<Item>[];
  faults: RowFault[] | undefined;
  isCurrent: boolean;
  isChosen: boolean;
  /** Whether it is the empty row at the end, which is put in once something is typed. */
  isBlank: boolean;
  onCurrent: () => void;
  onChoose: () => void;
  splice: Splice<Item>;
};

/** One row of a pack as a row of fields, with what is wrong marked in its place. */
export function GridRow<Item>(props: GridRowProps<Item>) {
  const { number, item, faults, isCurrent, isBlank, splice } = props;
  return (
    <div
      role="row"
      aria-rowindex={props.place + 2}
      className={`absolute left-0 flex w-full items-stretch border-b border-line ${isCurrent ? "bg-sun-pale" : ""}`}
      style={{ top: props.top, height: props.height }}
      onFocus={props.onCurrent}
    >
      <span role="rowheader" className="flex shrink-0 items-center gap-2 px-2" style={{ width: props.stubWidth }}>
        <input
          type="checkbox"
          aria-label={`Choose row ${number + 1}`}
          disabled={isBlank}
          className="size-6 accent-moss disabled:opacity-30"
          checked={props.isChosen}
          onChange={props.onChoose}
        />
        <span className="text-soft tabular-nums">{number + 1}</span>
        {faults && <CircleAlert className="size-4.5 text-clay" aria-label="This row has faults" />}
      </span>
      {props.columns.map((column) => (
        <Cell
          key={column.id}
          column={column}
          place={props.place}
          number={number}
          item={item}
          fault={faults?.find((fault) => fault.field === column.field && fault.number === column.number)}
          onChange={(changed) => splice(number, isBlank ? 0 : 1, [changed], `${number} ${column.id}`)}
        />
      ))}
    </div>
  );
}

type CellProps<Item> = {
  column: Column<Item>;
  place: number;
  number: number;
  item: Item;
  fault: RowFault | undefined;
  onChange: (item: Item) => void;
};

function Cell<Item>({ column, place, number, item, fault, onChange }: CellProps<Item>) {
  const [typed, setTyped] = useState<string>();
  const unfit = typed === undefined ? undefined : column.unfit?.(typed);
  return (
    <span role="gridcell" className="shrink-0 p-0.5" style={{ width: column.width }}>
      <input
        aria-label={`${column.label}, row ${number + 1}`}
        aria-invalid={fault !== undefined || unfit !== undefined}
        title={unfit ?? (fault ? `${fault.what}. To mend it, ${fault.mend}.` : undefined)}
        data-place={place}
        data-column={column.id}
        value={typed ?? column.read(item)}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          const changed = column.write(item, text);
          if (changed) onChange(changed);
        }}
        onBlur={() => unfit === undefined && setTyped(undefined)}
        className="size-full rounded-sm bg-transparent px-1.5 aria-invalid:outline-2 aria-invalid:-outline-offset-2 aria-invalid:outline-clay"
      />
    </span>
  );
}
