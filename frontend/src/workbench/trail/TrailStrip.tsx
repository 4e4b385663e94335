import { Link, useSearchParams } from "react-router";
import type { GameView, Stop } from "../../api/schema";
import { Die } from "../../ui/Die";
import { STOP_FACES, stopPath } from "../../app/stops";
import { useMedia } from "../../app/useMedia";
import type { TokenView } from "./useToken";

/** How far below the strip's top each stop's mark stands, in pixels, from left to right. */
const TALL = { height: 132, line: 16, marks: [22, 34, 18, 30, 16, 28, 20, 32, 24] };
const SHORT = { height: 58, line: 12, marks: [8, 13, 6, 12, 5, 11, 7, 12, 9] };

/** On a page that is less high, the strip leaves the room to the bench. */
const IS_SHORT = "(max-height: 899px)";

type TrailStripProps = {
  game: GameView;
  round: number;
  chosen: Stop;
  runId: string | undefined;
  token: TokenView;
};

/** The stops of the game on their dotted path, with the die where the run stands. */
export function TrailStrip({ game, round, chosen, runId, token }: TrailStripProps) {
  const [search] = useSearchParams();
  const summaries = game.stops[round] ?? [];
  const stops = summaries.map((summary) => summary.stop);
  const at = token.at === undefined ? -1 : stops.indexOf(token.at);
  const isShort = useMedia(IS_SHORT);
  const { height, line, marks } = isShort ? SHORT : TALL;
  const spots = stops.map((_, index) => ({
    x: ((index + 0.5) / stops.length) * 100,
    y: marks[index % marks.length] ?? 0,
  }));
  const spot = spots[at];
  return (
    <nav aria-label="Stops of the trail" className="relative min-w-0 flex-1" style={{ height }}>
      <svg viewBox={`0 0 100 ${height}`} preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden>
        <path
          d={path(spots, line)}
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
                className="group mx-auto flex max-w-36 flex-col items-center rounded-lg px-0.5 text-center"
              >
                <span className={`flex items-center ${isShort ? "gap-1" : "flex-col"}`}>
                  <span
                    className={`grid place-items-center rounded-full border-2 ${isShort ? "size-6" : "size-8"} ${isChosen ? "border-ink bg-ink text-card" : "border-edge bg-card group-hover:border-ink"}`}
                  >
                    <face.icon className={isShort ? "size-3.5" : "size-4.5"} aria-hidden />
                  </span>
                  <span
                    className={`font-serif text-lg leading-tight font-semibold whitespace-nowrap ${isShort ? "rounded-sm bg-paper px-0.5" : ""} ${isChosen ? "underline decoration-2 underline-offset-3" : ""}`}
                  >
                    {face.name}
                  </span>
                </span>
                <Summary stop={stop} words={words} computed={token.computed[stop]} isShort={isShort} />
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
          style={{ left: `calc(${spot.x}% + ${isShort ? 38 : 14}px)`, top: spot.y - (isShort ? 7 : 12) }}
        >
          <span key={`${runId ?? ""} ${at}`} className="block animate-hop">
            <Die className={`drop-shadow-sm ${isShort ? "size-5.5" : "size-7"}`} />
          </span>
        </span>
      )}
    </nav>
  );
}

type SummaryProps = { stop: Stop; words: string; computed: string | undefined; isShort: boolean };

/** What a stop is set to, and what it last computed; where there is little room, one in the other's place: of the
 * questions loaded, how many there are. */
function Summary({ stop, words, computed, isShort }: SummaryProps) {
  if (isShort) {
    const shown = stop === "load" ? undefined : computed;
    return (
      <span className={`max-w-full truncate text-sm leading-tight ${shown ? "font-semibold text-sky" : ""}`} title={words}>
        {shown ?? words}
      </span>
    );
  }
  return (
    <>
      <span className="max-w-full truncate text-sm leading-tight">{words}</span>
      <span className="max-w-full truncate text-sm leading-tight font-semibold text-sky">{computed ?? "\u00a0"}</span>
    </>
  );
}

/** A path that winds from the left edge through every spot to the right edge. */
function path(spots: { x: number; y: number }[], line: number): string {
  const points = [{ x: 0, y: 2.5 * line }, ...spots.map(({ x, y }) => ({ x, y: y + line })), { x: 100, y: 1.5 * line }];
  return points.slice(1).reduce((drawn, { x, y }, index) => {
    const from = points[index] ?? { x: 0, y: 0 };
    const middle = (from.x + x) / 2;
    const bend = (index % 2 ? 0.8 : -0.8) * line;
    return `${drawn} C${middle} ${from.y + bend} ${middle} ${y + bend} ${x} ${y}`;
  }, `M0 ${points[0]?.y ?? 0}`);
}
