import { Telescope } from "lucide-react";
import { Link } from "react-router";
import { useForecast } from "../../../api/foresight";
import { SCOUTS } from "../../../api/parts";
import type { GameView } from "../../../api/schema";
import { minutes, percent } from "../../../app/format";

const STEADY = SCOUTS.filter((scout) => scout.name === "steady");

/** What steady players come to in the game as it was last saved, in one line. */
export function OddsLine({ game }: { game: GameView }) {
  const isPlayable = game.problems.every((problem) => problem.severity !== "fault");
  const forecast = useForecast(game.id, game.revision, STEADY, true, isPlayable);
  const told = forecast.data;
  if (!isPlayable) return null;
  const endings = told?.endings.filter((ending) => ending.share.share >= 0.005) ?? [];
  const shares = endings.map((ending) => `${percent(ending.share.share)} ${ending.title ?? "no ending"}`);
  return (
    <p className="flex items-baseline gap-2 text-sm">
      <Telescope aria-hidden className="size-4 shrink-0 self-center text-moss" />
      <span>
        <b>Steady players:</b>{" "}
        {told ? `${shares.join(", ")}; ${told.questions.toFixed(1)} questions, ${minutes(told.seconds * 1000)}` : "working it out…"}
        {told && forecast.isFetching && <span role="status"> …</span>}
      </span>
      <Link to={`/foresight/${game.id}`} className="ml-auto whitespace-nowrap text-sky underline">
        All of it
      </Link>
    </p>
  );
}
