import type { RefusedRow } from "../api/schema";

const MAX_SHOWN = 200;

/** The rows of a file that did not become questions: where, why, how to mend, and the row. */
export function RefusedRows({ rows }: { rows: RefusedRow[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-left">
        <caption className="pb-1 text-left font-serif text-lg font-semibold">
          {rows.length === 1 ? "1 row was refused" : `${rows.length} rows were refused`}
        </caption>
        <thead>
          <tr className="border-b border-edge">
            <th scope="col" className="py-1 pr-3">
              Line
            </th>
            <th scope="col" className="py-1 pr-3">
              Column
            </th>
            <th scope="col" className="py-1">
              What is wrong, and the row
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, MAX_SHOWN).map((row) => (
            <tr key={row.line} className="border-b border-line align-top">
              <td className="py-1.5 pr-3 tabular-nums">{row.line}</td>
              <td className="py-1.5 pr-3 tabular-nums">{row.column}</td>
              <td className="py-1.5">
                <b>{row.what}</b>. To mend it, {row.mend}.
                <span className="block break-words text-soft">{row.text.slice(0, 500).replaceAll("\t", " ⇥ ")}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > MAX_SHOWN && <p className="mt-1">and {rows.length - MAX_SHOWN} more</p>}
    </div>
  );
}
