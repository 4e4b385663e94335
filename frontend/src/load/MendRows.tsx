import { useState } from "react";
import type { Refusal } from "../api/schema";
import { counted } from "../app/format";
import { Button } from "../ui/Button";
import { TextAreaField } from "../ui/fields";

type MendRowsProps = {
  refused: Refusal[];
  /** Whether each is a block of lines, and not a row of fields. */
  areBlocks: boolean;
  count: number;
  onMend: (line: number, cells: string[]) => void;
};

/** The rows that are no questions yet, each to be mended in place and taken in. */
export function MendRows({ refused, areBlocks, count, onMend }: MendRowsProps) {
  if (count === 0) return null;
  const Mend = areBlocks ? MendBlock : MendRow;
  return (
    <section aria-labelledby="refused" className="rounded-xl border border-line bg-card p-4">
      <h2 id="refused" className="text-lg">
        {counted(count, areBlocks ? "block" : "row")} refused
      </h2>
      <ul className="divide-y divide-line">
        {refused.map((row) => (
          <Mend key={`${row.line} ${row.what} ${row.text}`} row={row} onMend={onMend} />
        ))}
      </ul>
      {count > refused.length && <p className="pt-2">and {count - refused.length} more</p>}
    </section>
  );
}

type MendProps = { row: Refusal; onMend: MendRowsProps["onMend"] };

function MendBlock({ row, onMend }: MendProps) {
  const [text, setText] = useState(() => row.cells.join("\n"));
  return (
    <li className="py-2.5">
      <form
        className="space-y-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onMend(row.line, text.split("\n"));
        }}
      >
        <TextAreaField
          label={`Line ${row.line}: ${row.what}`}
          hint={`To mend it, ${row.mend}.`}
          value={text}
          onChange={setText}
        />
        <Button type="submit">Take it in</Button>
      </form>
    </li>
  );
}

function MendRow({ row, onMend }: MendProps) {
  /** The field last written in, and where its caret stands: there it is split. */
  const [caret, setCaret] = useState<{ place: number; at: number }>();
  const [cells, setCells] = useState(() => Array.from({ length: Math.max(row.cells.length, row.column) }, (_, place) => row.cells[place] ?? ""));
  return (
    <li className="py-2.5">
      <p>
        Line {row.line}, column {row.column}: <b>{row.what}</b>. To mend it, {row.mend}.
      </p>
      <form
        className="mt-1.5 flex flex-wrap gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onMend(row.line, cells);
        }}
      >
        {cells.map((cell, place) => (
          <input
            key={place}
            aria-label={`Line ${row.line}, column ${place + 1}`}
            aria-invalid={place + 1 === row.column}
            value={cell.slice(0, 1000)}
            onChange={(event) => setCells(cells.map((old, other) => (other === place ? event.target.value : old)))}
            onSelect={(event) => setCaret({ place, at: event.currentTarget.selectionStart ?? 0 })}
            className={`min-h-9 rounded-lg border border-edge bg-card px-2 aria-invalid:border-2 aria-invalid:border-clay ${place === 0 ? "w-64" : "w-27"}`}
          />
        ))}
        <Button disabled={!caret} title="The field is parted where its caret stands" onClick={() => caret && setCells(splitAt(cells, caret.place, caret.at))}>
          Split here
        </Button>
        {cells.some((cell) => WIDE.test(cell)) && (
          <Button onClick={() => setCells(cells.flatMap((cell) => cell.trim().split(WIDE)))}>Split at wide spaces</Button>
        )}
        <Button type="submit">Take it in</Button>
      </form>
    </li>
  );
}

/** Two spaces or more, which often stand where a tab was meant. */
const WIDE = /\s{2,}/;

/** The fields with one of them parted in two. */
function splitAt(cells: string[], place: number, at: number): string[] {
  const cell = cells[place] ?? "";
  return cells.toSpliced(place, 1, cell.slice(0, at).trim(), cell.slice(at).trim());
}
