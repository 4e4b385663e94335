import { VALUES } from "../api/parts";
import type { Plan, Role } from "../api/schema";

type ColumnsProps = { plan: Plan; rows: string[][]; onChange: (columns: Role[]) => void };

/** The first rows as they stand in the file, each column under what it is taken to hold. */
export function Columns({ plan, rows, onChange }: ColumnsProps) {
  const { columns } = plan;
  const isFact = (role: Role) => role === "fact";
  const roles = VALUES.Role.filter(({ value }) => value === "ignored" || isFact(value) === (plan.contents === "facts"));
  return (
    <section aria-label="Columns" className="overflow-x-auto rounded-xl border border-line bg-card p-4">
      <table className="w-full border-collapse text-left">
        <caption className="pb-2 text-left font-serif text-lg font-semibold">What each column holds</caption>
        <thead>
          <tr>
            {columns.map((role, place) => (
              <th key={place} scope="col" className="pr-2 pb-1.5">
                <select
                  aria-label={`Column ${place + 1} holds`}
                  value={role}
                  onChange={(event) => {
                    const chosen = VALUES.Role.find(({ value }) => value === event.target.value)?.value;
                    if (chosen) onChange(columns.map((old, other) => (other === place ? chosen : old)));
                  }}
                  className={`min-h-9 w-full min-w-28 rounded-lg border border-edge px-1.5 font-normal ${role === "ignored" ? "bg-paper" : "bg-moss-pale"}`}
                >
                  {roles.map(({ value, label }) => (
                    <option key={value} value={value}>
                      {label}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={index} className="border-t border-line">
              {columns.map((role, place) => (
                <td
                  key={place}
                  className={`max-w-52 truncate py-1 pr-3 ${role === "ignored" || (plan.has_headings && index === 0) ? "text-soft italic" : ""}`}
                >
                  {row[place]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
