import { Copy, Download, Hammer, Play, Trash2 } from "lucide-react";
import { Link } from "react-router";
import { useGlance } from "../api/games";
import { mediaAt } from "../api/home";
import type { GameCard as Card, GameGlance, RunCard } from "../api/schema";
import { ago, counted } from "../app/format";
import { Button, buttonLook } from "../ui/Button";
import { Trouble } from "../ui/Trouble";
import { TrailPicture } from "./TrailPicture";

/** The stops of a trail, for its picture. */
const STOPS = 9;

type GameCardProps = { game: Card; onCopy: () => void; onRemove: () => void };

/** A game at a glance: its trail, what it holds, its last playtest. */
export function GameCard({ game, onCopy, onRemove }: GameCardProps) {
  const title = game.title || (game.revision > 0 ? "A game without a title" : game.id);
  const glance = useGlance(game.id, game.revision).data;
  return (
    <article className="flex w-full flex-col overflow-hidden rounded-xl border border-edge bg-card shadow-sm">
      {glance?.picture ? (
        <img src={mediaAt(glance.picture)} alt="" className="aspect-[32/11] w-full border-b border-line object-cover" />
      ) : (
        <TrailPicture seed={game.id} questions={STOPS + game.round_count} endings={game.ending_count} colours={glance?.colours} />
      )}
      <div className="flex flex-1 flex-col gap-2 p-4">
        <h3 className="text-xl"><bdi>{title}</bdi></h3>
        <p>
          {counted(game.round_count, "round")}, {counted(game.ending_count, "ending")}
          {glance?.stops[0] && `; ${glance.stops[0].words}`}
        </p>
        <Trouble words={game.trouble} />
        <p className="min-h-6 text-soft">{glance && stateInWords(glance)}</p>
        <div className="mt-auto flex gap-2 pt-1">
          <Link to={`/game/${game.id}`} aria-label={`Open ${title}`} className={buttonLook()}>
            <Hammer aria-hidden /> Open
          </Link>
          {glance?.fault_count === 0 && (
            <Link to={`/play/${game.id}`} aria-label={`Play ${title}`} className={buttonLook("quiet")}>
              <Play aria-hidden /> Play
            </Link>
          )}
          <span className="ml-auto flex">
            <a
              href={`/api/games/${game.id}/file`}
              download
              aria-label={`Save ${title} as a file`}
              className={`${buttonLook("quiet")} px-2`}
            >
              <Download aria-hidden />
            </a>
            <Button look="quiet" className="px-2" aria-label={`Copy ${title}`} onClick={onCopy}>
              <Copy aria-hidden />
            </Button>
            <Button look="quiet" className="px-2" aria-label={`Delete ${title}`} onClick={onRemove}>
              <Trash2 aria-hidden />
            </Button>
          </span>
        </div>
      </div>
    </article>
  );
}

function stateInWords(glance: GameGlance): string {
  if (!glance.is_begun) return "Nothing to ask yet.";
  if (glance.fault_count > 0) return `Cannot be played yet: ${counted(glance.fault_count, "fault")}.`;
  return glance.last_run ? lastRunInWords(glance.last_run) : "Not played yet.";
}

function lastRunInWords(run: RunCard): string {
  const result = run.ending === null ? `left at ${counted(run.score, "point")}` : `${counted(run.score, "point")}, ${run.ending}`;
  return `Last playtest ${ago(run.started_at)}: ${result}.`;
}
