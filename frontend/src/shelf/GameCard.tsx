import { Hammer, Play } from "lucide-react";
import { Link } from "react-router";
import type { GameCard as Card, RunCard } from "../api/schema";
import { ago, counted } from "../app/format";
import { buttonLook } from "../ui/Button";
import { TrailPicture } from "./TrailPicture";

/** A game at a glance: its trail, what it holds, its last playtest. */
export function GameCard({ game }: { game: Card }) {
  const title = game.title || "A game without a title";
  return (
    <article className="flex w-full flex-col overflow-hidden rounded-xl border border-edge bg-card shadow-sm">
      <TrailPicture seed={game.id} questions={game.stops.length + game.round_count} endings={game.ending_count} />
      <div className="flex flex-1 flex-col gap-2 p-4">
        <h3 className="text-xl">{title}</h3>
        <p>
          {counted(game.round_count, "round")}, {counted(game.ending_count, "ending")}
          {game.stops[0] && `; ${game.stops[0].words}`}
        </p>
        <p className="text-soft">
          {game.fault_count > 0
            ? `Cannot be played yet: ${counted(game.fault_count, "fault")}.`
            : game.last_run
              ? lastRunInWords(game.last_run)
              : "Not played yet."}
        </p>
        <div className="mt-auto flex gap-2 pt-1">
          <Link to={`/game/${game.id}`} aria-label={`Open ${title}`} className={buttonLook()}>
            <Hammer aria-hidden /> Open
          </Link>
          {game.fault_count === 0 && (
            <Link to={`/play/${game.id}`} aria-label={`Play ${title}`} className={buttonLook("quiet")}>
              <Play aria-hidden /> Play
            </Link>
          )}
        </div>
      </div>
    </article>
  );
}

function lastRunInWords(run: RunCard): string {
  const result = run.ending === null ? `left at ${counted(run.score, "point")}` : `${counted(run.score, "point")}, ${run.ending}`;
  return `Last playtest ${ago(run.started_at)}: ${result}.`;
}
