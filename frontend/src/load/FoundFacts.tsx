import type { Facts } from "../api/schema";

const SHOWN = 12;

/** The first rows of facts the file gives, under the names of their columns. */
export function FoundFacts({ facts, count }: { facts: Facts; count: number }) {
  return (
    <section aria-labelledby="found" tabIndex={0} className="min-h-0 flex-1 overflow-auto rounded-xl border border-line bg-card p-4">
      <h2 id="found" className="text-lg">
        The first rows
      </h2>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-edge">
            {facts.columns.map((name) => (
              <th key={name} scope="col" className="py-1 pr-3">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {facts.rows.slice(0, SHOWN).map((row, index) => (
            <tr key={index} className="border-b border-line">
              {row.map((cell, place) => (
                <td key={place} className="max-w-40 truncate py-1 pr-3">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {count > SHOWN && <p className="pt-1 text-soft">and {count - SHOWN} more</p>}
    </section>
  );
}
