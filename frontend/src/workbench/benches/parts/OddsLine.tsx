import { Telescope } from "lucide-react";
import { Link } from "react-router";
import { useDraftForecast } from "../../../api/foresight";
import { SCOUTS } from "../../../api/parts";
import type { Game } from "../../../api/schema";
import { minutes, percent } from "../../../app/format";

const STEADY = SCOUTS.filter((scout) => scout.name === "steady");

/** What steady players come to in the game as it is being edited, in one line. */
export function OddsLine({ gameId, document }: { gameId: string; document: Game }) {
  const forecast = useDraftForecast(gameId, document, STEADY);
  const told = forecast.data;
  if (forecast.error && !forecast.isFetching) return null;
  const endings = told?.endings.filter((ending) => ending.share.share >= 0.005) ?? [];
  const shares = endings.map((ending) => `${percent(ending.share.share)} ${ending.title ?? "no ending"}`);
  const words = shares.length > 0 ? shares.join(", ") : "hardly any run comes to an ending";
  return (
    <p className="flex items-baseline gap-2 text-sm">
      <Telescope aria-hidden className="size-4 shrink-0 self-center text-moss" />
      <span>
        <b>Steady players:</b>{" "}
        {told?.how === "sampled" && shares.length > 0 && "about "}
        {told ? `${words}; ${told.questions.toFixed(1)} questions, ${minutes(told.seconds * 1000)}` : "working it out…"}
        {told && forecast.isFetching && <span role="status"> …</span>}
      </span>
      <Link to={`/foresight/${gameId}`} className="ml-auto whitespace-nowrap text-sky underline">
        All of it
      </Link>
    </p>
  );
}
