import { Link, useSearchParams } from "react-router";
import type { Footprint, GameView, Stop } from "../../api/schema";
import { Die } from "../../ui/Die";
import { STOP_FACES, stopPath } from "../../app/stops";
import { useToken } from "./useToken";

/** How far below the strip's top each stop's mark stands, in pixels, from left to right. */
const HEIGHTS = [22, 34, 18, 30, 16, 28, 20, 32, 24];

type TrailStripProps = {
  game: GameView;
  round: number;
  chosen: Stop;
  runId: string | undefined;
  footprints: Footprint[];
};

/** The stops of the game on their dotted path, with the die where the run stands. */
export function TrailStrip({ game, round, chosen, runId, footprints }: TrailStripProps) {
  const [search] = useSearchParams();
  const summaries = game.stops[round] ?? [];
  const stops = summaries.map((summary) => summary.stop);
  const token = useToken(runId, footprints, stops);
  const at = token.at === undefined ? -1 : stops.indexOf(token.at);
  const spots = stops.map((_, index) => ({
    x: ((index + 0.5) / stops.length) * 100,
    y: HEIGHTS[index % HEIGHTS.length] ?? 20,
  }));
  const spot = spots[at];
  return (
    <nav aria-label="Stops of the trail" className="relative h-33 min-w-0 flex-1">
      <svg viewBox="0 0 100 132" preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden>
        <path
          d={path(spots)}
          className="fill-none stroke-edge [stroke-dasharray:1_8] [stroke-linecap:round] [stroke-width:3.5]"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <ol className="relative grid h-full auto-cols-fr grid-flow-col">
        {summaries.map(({ stop, words }, index) => {
          const face = STOP_FACES[stop];
          const isChosen = stop === chosen;
          return (
            <li key={stop} className="min-w-0" style={{ paddingTop: spots[index]?.y }}>
              <Link
                to={{ pathname: `/game/${game.id}/${stopPath(stop)}`, search: search.toString() }}
                aria-current={isChosen ? "step" : undefined}
                className="group mx-auto flex max-w-36 flex-col items-center rounded-lg px-1 text-center"
              >
                <span
                  className={`grid size-8 place-items-center rounded-full border-2 ${isChosen ? "border-ink bg-ink text-card" : "border-edge bg-card group-hover:border-ink"}`}
                >
                  <face.icon className="size-4.5" aria-hidden />
                </span>
                <span className={`font-serif text-lg leading-tight font-semibold ${isChosen ? "underline decoration-2 underline-offset-3" : ""}`}>
                  {face.name}
                </span>
                <span className="max-w-full truncate text-sm leading-tight">{words}</span>
                <span className="max-w-full truncate text-sm leading-tight font-semibold text-sky">
                  {token.computed[stop] ?? "\u00a0"}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
      {spot && (
        <span
          data-testid="token"
          data-stop={token.at}
          className="pointer-events-none absolute transition-[left,top] duration-200 ease-in-out"
          style={{ left: `calc(${spot.x}% + 14px)`, top: spot.y - 12 }}
        >
          <span key={`${runId ?? ""} ${at}`} className="block animate-hop">
            <Die className="size-7 drop-shadow-sm" />
          </span>
        </span>
      )}
    </nav>
  );
}

/** A path that winds from the left edge through every spot to the right edge. */
function path(spots: { x: number; y: number }[]): string {
  const points = [{ x: 0, y: 52 }, ...spots.map(({ x, y }) => ({ x, y: y + 16 })), { x: 100, y: 26 }];
  return points.slice(1).reduce((drawn, { x, y }, index) => {
    const from = points[index] ?? { x: 0, y: 0 };
    const middle = (from.x + x) / 2;
    const bend = index % 2 ? 13 : -13;
    return `${drawn} C${middle} ${from.y + bend} ${middle} ${y + bend} ${x} ${y}`;
  }, `M0 ${points[0]?.y ?? 0}`);
}
