import { useWatch } from "../../../api/runs";
import type { TableRun } from "../../state/useTableRun";

/** The counters at the step looked at, and what each line of the rules did to them. */
export function Watch({ table }: { table: TableRun }) {
  const watched = useWatch(table.runId, table.shown);
  const players = table.steps[table.shown]?.table.players ?? [];
  const before = table.steps[table.shown - 1]?.table.players ?? [];
  return (
    <aside aria-label="Watch" className="min-h-0 overflow-auto rounded-lg border border-line bg-paper px-3 py-2 text-sm">
      <h3 className="text-base">Counters</h3>
      {players.map((player, turn) => (
        <dl key={turn} className="mt-1">
          {players.length > 1 && <dt className="font-semibold">{player.name}</dt>}
          {player.counters.map(({ name, value }, place) => {
            const was = before[turn]?.counters[place]?.value ?? value;
            return (
              <div key={name} className="flex justify-between gap-2">
                <dt className="font-mono">{name}</dt>
                <dd className={`tabular-nums ${was === value ? "" : "font-semibold"}`}>
                  {was !== value && <span className="font-normal text-soft">{was} → </span>}
                  {value}
                </dd>
              </div>
            );
          })}
        </dl>
      ))}
      {watched.data?.map((event, place) => (
        <section key={place} className="mt-2 border-t border-line pt-1">
          <h4 className="font-semibold">{event.why}</h4>
          <ol>
            {event.lines.map((ran, number) => (
              <li key={number} className="flex gap-2">
                <span className="w-12 shrink-0 text-soft">line {ran.line}</span>
                <span className="font-mono">
                  {ran.changes.map(({ name, before: old, after }) => `${name} ${old ?? ""} → ${after ?? ""}`).join(", ") || "no change"}
                </span>
              </li>
            ))}
          </ol>
        </section>
      ))}
      {watched.data?.length === 0 && <p className="mt-2 text-soft">No line of the rules ran in this step.</p>}
    </aside>
  );
}
