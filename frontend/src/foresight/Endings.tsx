import { Download, Footprints } from "lucide-react";
import { useState } from "react";
import { forecastTable, useForecast, useWitnesses } from "../api/foresight";
import { useRevisions } from "../api/games";
import type { Forecast, GameView, Scout, WitnessView } from "../api/schema";
import { counted, minutes, percent } from "../app/format";
import { Button } from "../ui/Button";
import { SelectField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";
import { save } from "./save";
import { useOpened } from "./useOpened";

type EndingsProps = { game: GameView; scouts: Scout[]; told: Forecast; isBusy: boolean };

/** The chance of each ending, beside another version's if one is chosen, and runs that lead there. */
export function Endings({ game, scouts, told, isBusy }: EndingsProps) {
  const [version, setVersion] = useState("");
  const [isLooking, setIsLooking] = useState(false);
  const revisions = useRevisions(game.id, game.revision).data ?? [];
  const other = useForecast(game.id, Number(version), scouts, true, version !== "");
  const before = version === "" ? undefined : other.data;
  const witnesses = useWitnesses(game.id, game.revision, isLooking);
  const options = [
    { value: "", label: "no other version" },
    ...revisions.slice(1).map(({ number }) => ({ value: String(number), label: `version ${number}` })),
  ];
  return (
    <section aria-labelledby="endings" className="rounded-xl border border-line bg-card p-4">
      <div className="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
        <h2 id="endings" className="mr-auto text-2xl">
          How it ends
        </h2>
        {options.length > 1 && <SelectField label="Beside it" value={version} options={options} onChange={setVersion} />}
        <Button onClick={() => void forecastTable(game.id, game.revision, scouts).then((table) => save("forecast.csv", "text/csv", table))}>
          <Download aria-hidden /> CSV
        </Button>
        <Button onClick={() => save("forecast.json", "application/json", JSON.stringify(told, null, 1))}>
          <Download aria-hidden /> JSON
        </Button>
      </div>
      <table className="w-full">
        <caption className="sr-only">The chance of each ending</caption>
        <tbody>
          {told.endings.map((ending, place) => {
            if (ending.title === null && ending.share.share === 0) return null;
            const earlier = before?.endings.find((one) => one.title === ending.title);
            return (
              <tr key={ending.title} className="border-t border-line first:border-0">
                <th scope="row" className="w-44 py-1.5 pr-3 text-left font-semibold break-words">
                  {ending.title ?? "no ending fits"}
                </th>
                <td className="py-1.5">
                  <ShareBar share={ending.share.share} look="bg-sky" />
                  {before && <ShareBar share={earlier?.share.share ?? 0} look="bg-sun" />}
                </td>
                <td className="w-32 py-1.5 pl-3 tabular-nums">
                  {percent(ending.share.share)}
                  {told.how === "sampled" && (
                    <span className="block text-sm text-soft">
                      {percent(ending.share.least)} to {percent(ending.share.most)}
                    </span>
                  )}
                  {before && <span className="block text-sm text-soft">was {percent(earlier?.share.share ?? 0)}</span>}
                </td>
                <td className="w-56 py-1.5 pl-3 text-sm">
                  {witnesses.data && ending.title !== null && (
                    <Way game={game} witness={witnesses.data.endings[place]} why={witnesses.data.why[place] ?? ""} />
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-3">
        <Summary told={told} />
        {isBusy && <span role="status"> Working it out anew…</span>}
      </p>
      <p className="text-sm text-soft">How it was worked out: {told.why}.</p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        {!witnesses.data && (
          <Button onClick={() => setIsLooking(true)} disabled={witnesses.isFetching}>
            <Footprints aria-hidden /> {witnesses.isFetching ? "Looking for runs…" : "Find a run to each ending"}
          </Button>
        )}
        {witnesses.data && <RunToScore game={game} witnesses={witnesses.data.scores} />}
      </div>
      {witnesses.error && <ErrorNotice error={witnesses.error} />}
    </section>
  );
}

function ShareBar({ share, look }: { share: number; look: string }) {
  return (
    <div aria-hidden className="my-0.5 h-4 rounded-sm bg-paper">
      <div className={`h-full rounded-sm ${look}`} style={{ width: `${share * 100}%` }} />
    </div>
  );
}

function Summary({ told }: { told: Forecast }) {
  const score = told.counters[0];
  const parts = [
    `${told.questions.toFixed(1)} questions and ${minutes(told.seconds * 1000)} minutes on average`,
    score && `a score of ${score.mean.toFixed(1)}`,
    told.ends_most !== null && `most runs end with question ${told.ends_most}`,
    told.unended > 0.0005 && `${percent(told.unended)} never come to an end`,
  ];
  const ties = told.leads.at(-1) ?? 0;
  return (
    <>
      {parts.filter(Boolean).join(", ")}.
      {told.leads.length > 0 && (
        <>
          {" "}
          Ahead at the end: {told.scouts.map((scout, place) => `${scout} ${percent(told.leads[place] ?? 0)}`).join(", ")}, a tie{" "}
          {percent(ties)}.
        </>
      )}
    </>
  );
}

type WayProps = { game: GameView; witness: WitnessView | null | undefined; why: string };

/** The way to a run that leads to an ending, or why there is none. */
function Way({ game, witness, why }: WayProps) {
  const open = useOpened(game);
  if (!witness) return <span className="text-soft">{why}</span>;
  return (
    <button type="button" className="text-left text-sky underline" onClick={() => open(witness)}>
      Open a run: {counted(witness.inputs.length, "step")}, score {witness.score}
    </button>
  );
}

function RunToScore({ game, witnesses }: { game: GameView; witnesses: WitnessView[] }) {
  const open = useOpened(game);
  const [chosen, setChosen] = useState(0);
  const witness = witnesses[chosen];
  if (!witness) return null;
  return (
    <>
      <SelectField
        label="A run to the score"
        value={String(chosen)}
        options={witnesses.map(({ score }, place) => ({ value: String(place), label: String(score) }))}
        onChange={(next) => setChosen(Number(next))}
      />
      <Button onClick={() => open(witness)}>
        <Footprints aria-hidden /> Open it
      </Button>
    </>
  );
}
