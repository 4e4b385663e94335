import type { Game, Way } from "../../../api/schema";

type RoundMapProps = { document: Game; chosen: number };

const ROW = 46;
const OUTCOMES = ["right", "wrong", "timeout", "passed"] as const;
const WORDS = { right: "right", wrong: "wrong", timeout: "late", passed: "passed" };

/** The rounds from top to bottom, the endings beside them, and the ways between. */
export function RoundMap({ document, chosen }: RoundMapProps) {
  const { rounds, endings } = document;
  const height = Math.max(rounds.length, endings.length) * ROW + 16;
  const yRound = (index: number) => 14 + index * ROW + ROW / 2;
  const yEnding = (index: number) => 14 + (index * (height - 28)) / Math.max(endings.length, 1) + 18;
  const isMenu = document.opening.rounds !== "in order" && rounds.length > 1;
  const ways = rounds.flatMap((round, from) =>
    OUTCOMES.map((outcome) => ({ from, outcome, way: round.moves[outcome] })).filter(
      ({ way }) => way.to === "round" || way.to === "ending",
    ),
  );
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">The rounds, and the ways between them</figcaption>
      <svg viewBox={`0 0 560 ${height}`} className="w-full max-w-2xl rounded-lg border border-line bg-paper" role="img" aria-label={inWords(document)}>
        {rounds.map((round, index) => (
          <g key={index}>
            {index + 1 < rounds.length && !isMenu && (
              <path d={`M110 ${yRound(index) + 15}V${yRound(index + 1) - 15}`} className="stroke-edge [stroke-dasharray:1_6] [stroke-linecap:round] [stroke-width:3]" />
            )}
            <rect
              x="20"
              y={yRound(index) - 15}
              width="180"
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
            <path d={`M390 ${yEnding(index) + 9}v-22l15 6-15 6`} className="fill-sun stroke-ink" />
            <text x="412" y={yEnding(index) + 2} className="fill-ink text-[13px]">
              {short(ending.title)}
            </text>
          </g>
        ))}
        {rounds.length > 0 && endings.length > 0 && (
          <path
            d={`M200 ${yRound(rounds.length - 1)}C300 ${yRound(rounds.length - 1)} 300 ${height / 2} 382 ${height / 2}`}
            className="fill-none stroke-edge [stroke-dasharray:1_6] [stroke-linecap:round] [stroke-width:3]"
          />
        )}
        {ways.map(({ from, outcome, way }) => {
          const to = placeOf(document, way, yRound, yEnding);
          if (!to) return null;
          return (
            <g key={`${from} ${outcome}`}>
              <path d={`M200 ${yRound(from)}C280 ${yRound(from)} ${to.x - 60} ${to.y} ${to.x} ${to.y}`} className="fill-none stroke-sky [stroke-width:2]" />
              <text x="214" y={yRound(from) - 5} className="fill-sky text-[12px] font-semibold">
                {WORDS[outcome]}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

function placeOf(document: Game, way: Way, yRound: (n: number) => number, yEnding: (n: number) => number) {
  const among = way.to === "round" ? document.rounds : document.endings;
  const index = among.findIndex(({ title }) => title === way.name);
  if (index < 0) return undefined;
  return way.to === "round" ? { x: 204, y: yRound(index) + 8 } : { x: 386, y: yEnding(index) };
}

function short(title: string): string {
  return title.length > 20 ? `${title.slice(0, 19)}…` : title;
}

function inWords(document: Game): string {
  const names = document.rounds.map(({ title }) => title).join(", ");
  return `Rounds: ${names}. Endings: ${document.endings.map(({ title }) => title).join(", ")}.`;
}
