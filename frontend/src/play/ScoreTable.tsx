import type { Score } from "../api/schema";
import { ago, minutes } from "../app/format";

type ScoreTableProps = { title: string; scores: Score[]; isNumbered?: boolean };

/** Scores of a game, one a row. */
export function ScoreTable({ title, scores, isNumbered = false }: ScoreTableProps) {
  if (scores.length === 0) return null;
  return (
    <table className="w-full text-left">
      <caption className="mb-1 text-left font-serif text-2xl font-semibold">{title}</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="py-1 pr-3 font-normal">
            {isNumbered ? "Player" : "When"}
          </th>
          <th scope="col" className="py-1 pr-3 text-right font-normal">
            Score
          </th>
          <th scope="col" className="py-1 pr-3 font-normal max-sm:hidden">
            Ending
          </th>
          <th scope="col" className="py-1 text-right font-normal">
            Time
          </th>
        </tr>
      </thead>
      <tbody>
        {scores.map((score, place) => (
          // Scores have no identity but their place.
          <tr key={place} className="border-t border-line">
            <th scope="row" className="py-1.5 pr-3 font-normal break-words">
              {isNumbered && <b className="mr-2 font-serif">{place + 1}</b>}
              {isNumbered ? score.player : ago(score.ended_at)}
            </th>
            <td className="py-1.5 pr-3 text-right font-semibold tabular-nums">{score.score}</td>
            <td className="py-1.5 pr-3 max-sm:hidden">{score.ending}</td>
            <td className="py-1.5 text-right tabular-nums">{minutes(score.length_ms)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
