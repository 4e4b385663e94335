import { useRef, useState, type PointerEvent } from "react";
import type { Game, ScriptWay, To } from "../../../api/schema";
import { outcomesOf, wordFor, type Outcome } from "./outcomes";

type RoundMapProps = {
  document: Game;
  chosen: number;
  /** Where the rule script can take a run. */
  scriptWays: ScriptWay[];
  /** Draws a way from the chosen round, for an outcome, to a round or an ending. */
  onWay: (outcome: Outcome, to: To, name: string) => void;
};

const ROW = 46;
const WIDTH = 620;
const ROUND = { left: 20, right: 200 };
const ENDING_LEFT = 450;

type Spot = { x: number; y: number };

/**
 * The rounds from top to bottom, the endings beside them, and the ways between: those of the
 * rounds, and dashed those the script takes. From the chosen round a way is drawn by dragging
 * one of its outcomes to where it is to lead; the fields above do the same by keyboard.
 */
export function RoundMap({ document, chosen, scriptWays, onWay }: RoundMapProps) {
  const { rounds, endings } = document;
  const here = rounds[chosen];
  const outcomes = here ? outcomesOf(here) : [];
  const picture = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ outcome: Outcome; at: Spot }>();
  const forScript = scriptWays.length > 0 ? 44 : 0;
  const height = Math.max(rounds.length * ROW, endings.length * 34, outcomes.length * 24) + 24 + forScript;
  const yRound = (index: number) => 14 + index * ROW + ROW / 2;
  const yEnding = (index: number) => 14 + (index * (height - 28)) / Math.max(endings.length, 1) + 18;
  const isMenu = document.opening.rounds !== "in order" && rounds.length > 1;
  const spotOf = (to: To, name: string): Spot | undefined => {
    const index = (to === "round" ? rounds : endings).findIndex(({ title }) => title === name);
    if (index < 0 || (to !== "round" && to !== "ending")) return undefined;
    return to === "round" ? { x: ROUND.right + 4, y: yRound(index) + 8 } : { x: ENDING_LEFT - 6, y: yEnding(index) };
  };
  const handleAt = (place: number): Spot => ({ x: ROUND.right + 58, y: yRound(chosen) + (place - (outcomes.length - 1) / 2) * 17 });
  const pointAt = (event: PointerEvent): Spot => {
    const box = picture.current?.getBoundingClientRect();
    if (!box) return { x: 0, y: 0 };
    return { x: ((event.clientX - box.left) * WIDTH) / box.width, y: ((event.clientY - box.top) * height) / box.height };
  };
  const drop = (event: PointerEvent) => {
    if (!drag) return;
    setDrag(undefined);
    const { x, y } = pointAt(event);
    const round = rounds.findIndex((_, index) => x <= ROUND.right && Math.abs(y - yRound(index)) < ROW / 2);
    const ending = endings.findIndex((_, index) => x >= ENDING_LEFT - 30 && Math.abs(y - yEnding(index)) < 17);
    if (round >= 0 && round !== chosen) onWay(drag.outcome, "round", rounds[round]?.title ?? "");
    else if (ending >= 0) onWay(drag.outcome, "ending", endings[ending]?.title ?? "");
  };
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">
        The rounds, and the ways between them{" "}
        <span className="font-normal text-soft">drag an outcome to a round or an ending; dashed: by the script</span>
      </figcaption>
      <svg
        ref={picture}
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full max-w-3xl touch-none rounded-lg border border-line bg-paper select-none"
        role="img"
        aria-label={inWords(document, scriptWays)}
        onPointerMove={(event) => drag && setDrag({ ...drag, at: pointAt(event) })}
        onPointerUp={drop}
      >
        {rounds.map((round, index) => (
          <g key={index}>
            {index + 1 < rounds.length && !isMenu && <path d={`M110 ${yRound(index) + 15}V${yRound(index + 1) - 15}`} className={DOTS} />}
            <rect
              x={ROUND.left}
              y={yRound(index) - 15}
              width={ROUND.right - ROUND.left}
              height="30"
              rx="8"
              className={`fill-card ${index === chosen ? "stroke-ink [stroke-width:2.5]" : "stroke-edge"}`}
            />
            <text x="110" y={yRound(index) + 5} textAnchor="middle" className="fill-ink font-serif text-[14px] font-semibold">
              {short(round.title)}
            </text>
          </g>
        ))}
        {endings.map((ending, index) => (
          <g key={index}>
            <path d={`M${ENDING_LEFT} ${yEnding(index) + 9}v-22l15 6-15 6`} className="fill-sun stroke-ink" />
            <text x={ENDING_LEFT + 22} y={yEnding(index) + 2} className="fill-ink text-[13px]">
              {short(ending.title)}
            </text>
          </g>
        ))}
        {rounds.length > 0 && endings.length > 0 && (
          <path d={curve({ x: ROUND.right, y: yRound(rounds.length - 1) }, { x: ENDING_LEFT - 8, y: height / 2 })} className={`fill-none ${DOTS}`} />
        )}
        {rounds.flatMap((round, from) =>
          outcomesOf(round).map((outcome, place) => {
            const { to, name } = round.moves[outcome];
            const end = spotOf(to, name);
            const start = from === chosen ? handleAt(place) : { x: ROUND.right, y: yRound(from) };
            return end && <path key={`${from} ${outcome}`} d={curve(start, end)} className="fill-none stroke-sky [stroke-width:2]" />;
          }),
        )}
        {scriptWays.map((way) => {
          const end = spotOf(way.to, way.name);
          if (!end) return null;
          const isBack = way.to === "round";
          const from = { x: isBack ? ROUND.left + 30 : ROUND.right - 30, y: height - 24 };
          const path = isBack
            ? `M${from.x} ${from.y}C${ROUND.left - 24} ${from.y} ${ROUND.left - 24} ${end.y - 8} ${ROUND.left} ${end.y - 8}`
            : curve(from, end);
          return (
            <g key={`${way.line} ${way.name}`}>
              <path d={path} className="fill-none stroke-clay [stroke-dasharray:6_4] [stroke-width:2]" />
              <text x={isBack ? 10 : end.x - 4} y={isBack ? height - 44 : end.y - 6} textAnchor={isBack ? "start" : "end"} className="fill-clay-dark text-[11px]">
                line {way.line}
              </text>
            </g>
          );
        })}
        {scriptWays.length > 0 && (
          <g>
            <rect x="50" y={height - 36} width="120" height="24" rx="12" className="fill-card stroke-clay" />
            <text x="110" y={height - 20} textAnchor="middle" className="fill-clay-dark text-[12px] font-semibold">
              the script
            </text>
          </g>
        )}
        {outcomes.map((outcome, place) => {
          const spot = handleAt(place);
          return (
            <g
              key={outcome}
              data-way={outcome}
              className="cursor-grab"
              onPointerDown={(event) => {
                picture.current?.setPointerCapture(event.pointerId);
                setDrag({ outcome, at: pointAt(event) });
              }}
            >
              <path d={curve({ x: ROUND.right, y: yRound(chosen) }, { x: spot.x - 44, y: spot.y })} className="fill-none stroke-line" />
              <rect x={spot.x - 46} y={spot.y - 8} width="50" height="16" rx="8" className="fill-card stroke-sky" />
              <text x={spot.x - 21} y={spot.y + 4} textAnchor="middle" className="fill-sky text-[11px] font-semibold">
                {wordFor(outcome)}
              </text>
            </g>
          );
        })}
        {drag && <path d={curve(handleAt(outcomes.indexOf(drag.outcome)), drag.at)} className="fill-none stroke-ink [stroke-width:2]" />}
      </svg>
    </figure>
  );
}

const DOTS = "stroke-edge [stroke-dasharray:1_6] [stroke-linecap:round] [stroke-width:3]";

function curve(from: Spot, to: Spot): string {
  const bend = Math.max(40, Math.abs(to.x - from.x) / 2);
  return `M${from.x} ${from.y}C${from.x + bend} ${from.y} ${to.x - (to.x > from.x ? bend : -bend)} ${to.y} ${to.x} ${to.y}`;
}

function short(title: string): string {
  return title.length > 20 ? `${title.slice(0, 19)}…` : title;
}

function inWords({ rounds, endings }: Game, scriptWays: ScriptWay[]): string {
  const named = (parts: { title: string }[]) => parts.map(({ title }) => title).join(", ");
  const ways = rounds.flatMap((round) =>
    outcomesOf(round)
      .filter((outcome) => round.moves[outcome].name)
      .map((outcome) => `${round.title}, ${wordFor(outcome)}: to ${round.moves[outcome].name}`),
  );
  const byScript = scriptWays.map((way) => `By the script, line ${way.line}: to ${way.name}`);
  return [`Rounds: ${named(rounds)}`, `Endings: ${named(endings)}`, ...ways, ...byScript].join(". ");
}
