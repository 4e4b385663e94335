import { BookmarkCheck, BookmarkX } from "lucide-react";
import { Link } from "react-router";
import { useHeld } from "../api/kept";
import type { GameView } from "../api/schema";
import { buttonLook } from "../ui/Button";

/** How many kept runs still hold; nothing while there are none. */
export function KeptCount({ game }: { game: GameView }) {
  const { data, isFetching } = useHeld(game.id, game.revision);
  if (!data || data.runs.length === 0) return null;
  const holding = data.runs.filter(({ holds }) => holds).length;
  const isWhole = holding === data.runs.length;
  return (
    <Link
      to={`/foresight/${game.id}/kept`}
      title={`${holding} of ${data.runs.length} kept runs hold`}
      aria-busy={isFetching}
      className={`${buttonLook("quiet")} px-2 tabular-nums ${isWhole ? "" : "text-clay-dark"}`}
    >
      {isWhole ? <BookmarkCheck aria-hidden /> : <BookmarkX aria-hidden />}
      {holding}/{data.runs.length}
      <span className="sr-only"> kept runs hold</span>
    </Link>
  );
}
