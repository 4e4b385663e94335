import { useState } from "react";
import { beginStudy, giveStudyUp, useGivenUpOnLeaving, useStudy } from "../api/foresight";
import type { Forecast, GameView, Scout } from "../api/schema";
import { percent } from "../app/format";
import { Button } from "../ui/Button";
import { SelectField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";
import { Progress } from "./Progress";

const GAMES = [500, 2000, 10_000, 100_000];

/** Whole runs played by scouts, as a proof of the forecast. */
export function ScoutsPlay({ game, scouts, told }: { game: GameView; scouts: Scout[]; told: Forecast }) {
  const [games, setGames] = useState(2000);
  const [studyId, setStudyId] = useState<string>();
  const [failure, setFailure] = useState<unknown>();
  const study = useStudy(game.id, studyId, 0, 0.5).data;
  useGivenUpOnLeaving(game.id, studyId);
  const played = study?.forecast;
  const begin = () => {
    setFailure(undefined);
    beginStudy(game.id, { scouts, games, key: null }).then((begun) => setStudyId(begun.id), setFailure);
  };
  return (
    <section aria-labelledby="scouts-play" className="rounded-xl border border-line bg-card p-4">
      <h2 id="scouts-play" className="mb-1 text-2xl">
        Let scouts play
      </h2>
      <p className="mb-2 text-soft">Whole runs, with every text, clock and check, on all cores of the server.</p>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="How many runs"
          value={String(games)}
          options={GAMES.map((one) => ({ value: String(one), label: one.toLocaleString("en") }))}
          onChange={(next) => setGames(Number(next))}
        />
        <Button onClick={begin}>Let them play</Button>
      </div>
      {failure !== undefined && <ErrorNotice error={failure} />}
      {study && studyId !== undefined && <Progress of={study} thing="runs" onGiveUp={() => void giveStudyUp(game.id, studyId)} />}
      {played && (
        <table className="mt-3 tabular-nums">
          <caption className="sr-only">Played and foreseen</caption>
          <thead className="text-left text-sm text-soft">
            <tr>
              {["Ending", "Played", "Range with 95 % certainty", "Foreseen"].map((heading) => (
                <th key={heading} scope="col" className="pr-6 font-normal">
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {played.endings.map((ending, place) =>
              ending.title === null && ending.share.share === 0 ? null : (
                <tr key={ending.title} className="border-t border-line">
                  <th scope="row" className="py-1 pr-6 text-left font-semibold">
                    {ending.title ?? "no ending fits"}
                  </th>
                  <td className="pr-6">{percent(ending.share.share)}</td>
                  <td className="pr-6">
                    {percent(ending.share.least)} to {percent(ending.share.most)}
                  </td>
                  <td>{percent(told.endings[place]?.share.share ?? 0)}</td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      )}
    </section>
  );
}
