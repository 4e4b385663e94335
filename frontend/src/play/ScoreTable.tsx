import type { Score } from "../api/schema";
import { minutes } from "../app/format";
import { useWording, type Say } from "../table/translator";

type ScoreTableProps = { title: string; scores: Score[]; isNumbered?: boolean };

/** Scores of a game, one a row. */
export function ScoreTable({ title, scores, isNumbered = false }: ScoreTableProps) {
  const { say, number } = useWording();
  if (scores.length === 0) return null;
  return (
    <table className="w-full text-start">
      <caption className="mb-1 text-start font-serif text-2xl font-semibold">{title}</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="py-1 pe-3 text-start font-normal">
            {say(isNumbered ? "player" : "when")}
          </th>
          <th scope="col" className="py-1 pe-3 text-end font-normal">
            {say("score")}
          </th>
          <th scope="col" className="py-1 pe-3 text-start font-normal max-sm:hidden">
            {say("ending")}
          </th>
          <th scope="col" className="py-1 text-end font-normal">
            {say("time")}
          </th>
        </tr>
      </thead>
      <tbody>
        {scores.map((score, place) => (
          // Scores have no identity but their place.
          <tr key={place} className="border-t border-line">
            <th scope="row" className="py-1.5 pe-3 text-start font-normal break-words">
              {isNumbered && <b className="me-2 font-serif">{place + 1}</b>}
              {isNumbered ? score.player : ago(score.ended_at, say)}
            </th>
            <td className="py-1.5 pe-3 text-end font-semibold tabular-nums">{number(score.score)}</td>
            <td className="py-1.5 pe-3 max-sm:hidden">{score.ending}</td>
            <td className="py-1.5 text-end tabular-nums">{minutes(score.length_ms)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const MINUTE_MS = 60_000;
const AGO = [
  ["days ago", 1440],
  ["hours ago", 60],
  ["minutes ago", 1],
] as const;

/** How long ago a run ended. */
function ago(moment: string, say: Say): string {
  const minutesAgo = (Date.now() - Date.parse(moment)) / MINUTE_MS;
  const found = AGO.find(([, size]) => minutesAgo >= size);
  return found ? say(found[0], { count: Math.floor(minutesAgo / found[1]) }) : say("just now");
}
