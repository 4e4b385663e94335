import { Link } from "react-router";
import type { PlayedRun } from "../api/schema";
import { minutes } from "../app/format";

/** The runs that are being played now: who, which question, which score, for how long. */
export function PlayingNow({ gameId, runs }: { gameId: string; runs: PlayedRun[] }) {
  const going = runs.flatMap(({ now, ...run }) => (now ? [{ ...run, now }] : []));
  if (going.length === 0) return null;
  return (
    <section aria-labelledby="now">
      <h2 id="now" className="mb-1 text-2xl">
        Being played now
      </h2>
      <ul className="grid gap-2 sm:grid-cols-2">
        {going.map(({ id, dice, players, now }) => (
          <li key={id} className="rounded-lg border border-line border-l-4 border-l-clay px-3 py-2">
            <p className="font-semibold break-words">
              {players.join(", ")}
              {players.length > 1 && <span className="font-normal text-soft"> ({now.player}’s turn)</span>}
            </p>
            <p className="tabular-nums">
              Question {now.question}, score {now.score}, {minutes(now.seconds * 1000)}
              {now.idle_seconds > QUIET_SECONDS && <span className="text-soft">, quiet for {minutes(now.idle_seconds * 1000)}</span>}
            </p>
            <Link to={`/game/${gameId}?dice=${dice}&run=${id}`} className="text-sky underline">
              Watch its footprints
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const QUIET_SECONDS = 30;
