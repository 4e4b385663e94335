import { useState } from "react";
import { useCalibration, type Choice } from "../../api/evidence";
import { SCOUTS } from "../../api/parts";
import type { Calibration, GameView } from "../../api/schema";
import { counted, percent } from "../../app/format";
import { SelectField } from "../../ui/fields";
import { ErrorNotice } from "../../ui/Notice";

const LIKE_THOSE = "";

/** A forecast laid over what really came: the share of each ending foretold, and where it lies by the runs. */
export function BorneOut({ game, choice }: { game: GameView; choice: Choice }) {
  const [name, setName] = useState(LIKE_THOSE);
  const scouts = SCOUTS.filter((scout) => scout.name === name);
  const { data, error } = useCalibration(game.id, game.revision, choice, scouts);
  return (
    <section aria-labelledby="borne" className="rounded-xl border border-line bg-card p-4">
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <h2 id="borne" className="mr-auto text-2xl">
          Forecast and runs
        </h2>
        <SelectField
          label="Forecast for"
          value={name}
          options={[
            { value: LIKE_THOSE, label: "players like those who played" },
            ...SCOUTS.map((scout) => ({ value: scout.name, label: scout.name })),
          ]}
          onChange={setName}
        />
      </div>
      {error && <ErrorNotice error={error} />}
      {!data && !error && <p role="status">Working it out…</p>}
      {data && (data.endings.length ? <Laid told={data} /> : <p>No run has ended yet.</p>)}
    </section>
  );
}

function Laid({ told }: { told: Calibration }) {
  return (
    <>
      <table className="w-full">
        <caption className="sr-only">The share of each ending, by forecast and by runs</caption>
        <thead className="text-left text-sm text-soft">
          <tr>
            {["Ending", "The range that the runs allow, and the forecast", "Forecast", "Played", ""].map((heading) => (
              <th key={heading} scope="col" className="py-1 pr-3 font-normal">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {told.endings.map(({ title, foretold, came, is_borne_out }) => (
            <tr key={title} className="border-t border-line">
              <th scope="row" className="w-44 py-1.5 pr-3 text-left font-semibold break-words">
                {title ?? "no ending fits"}
              </th>
              <td className="py-1.5 pr-3">
                <div aria-hidden className="relative h-5 rounded-sm bg-paper">
                  <span
                    className="absolute inset-y-1 rounded-sm bg-moss-pale outline outline-moss"
                    style={{ left: percentOf(came.least), width: percentOf(came.most - came.least) }}
                  />
                  <span className="absolute inset-y-0 w-0.5 bg-moss" style={{ left: percentOf(came.share) }} />
                  <span className="absolute top-1 size-3 -translate-x-1/2 rotate-45 bg-sky" style={{ left: percentOf(foretold.share) }} />
                </div>
              </td>
              <td className="w-24 py-1.5 pr-3 tabular-nums">{percent(foretold.share)}</td>
              <td className="w-40 py-1.5 pr-3 tabular-nums">
                {percent(came.share)}{" "}
                <span className="text-sm text-soft">
                  ({percent(came.least)} to {percent(came.most)})
                </span>
              </td>
              <td className="w-36 py-1.5">{is_borne_out ? "borne out" : <b className="text-clay-dark">not borne out</b>}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-soft">
        Of {counted(told.came.ended, "run")} that ended. The bar is the range of the share with 95 % certainty, the line in it the share played,
        the blue mark the forecast ({told.forecast.why}).
      </p>
    </>
  );
}

function percentOf(share: number): string {
  return `${100 * share}%`;
}
