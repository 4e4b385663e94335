import type { CSSProperties } from "react";
import type { Colours } from "../api/schema";

const WIDTH = 320;
const HEIGHT = 110;
const MAX_DOTS = 40;

type TrailPictureProps = { seed: string; questions: number; endings: number; colours: Colours | undefined };

/** A game's trail as a small map in its own colours: a dot a question, a flag an ending. The seed bends the path. */
export function TrailPicture({ seed, questions, endings, colours }: TrailPictureProps) {
  const bends = Array.from({ length: 4 }, (_, index) => bend(seed, index));
  const y = (x: number) =>
    HEIGHT / 2 +
    bends.reduce((sum, size, index) => sum + size * Math.sin((x / WIDTH) * Math.PI * (index + 1.4) + index), 0);
  const dots = Math.min(questions, MAX_DOTS);
  const end = 248;
  const spots = Array.from({ length: dots }, (_, index) => 22 + ((end - 44) * (index + 0.5)) / Math.max(dots, 1));
  const flagCount = Math.min(endings, 7);
  const flags = Array.from({ length: flagCount }, (_, index) => ({
    x: 286 - Math.abs(index - (flagCount - 1) / 2) * 5,
    y: 14 + (82 * (index + 0.5)) / flagCount,
  }));
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full border-b border-line bg-paper" style={colours && inColours(colours)} aria-hidden>
      {[-34, -17, 17, 34].map((shift) => (
        <path
          key={shift}
          d={line((x) => y(x) * 0.8 + HEIGHT * 0.1 + shift)}
          className="fill-none stroke-line"
        />
      ))}
      {flags.map((flag) => (
        <g key={flag.y}>
          <path
            d={`M${end} ${y(end)} Q${end + 16} ${flag.y} ${flag.x} ${flag.y}`}
            className="fill-none stroke-edge [stroke-dasharray:2_4]"
          />
          <path d={`M${flag.x} ${flag.y + 5}v-12l9 3.5-9 3.5`} className="fill-sun stroke-ink" />
        </g>
      ))}
      {spots.map((x) => (
        <circle key={x} cx={x} cy={y(x)} r={dots > 24 ? 2 : 3} className="fill-moss" />
      ))}
      <circle cx="12" cy={y(12)} r="5" className="fill-card stroke-ink [stroke-width:2]" />
    </svg>
  );
}

/** The colours of the map, where a game has its own. */
function inColours({ ground, card, ink, accent, right }: Colours): CSSProperties {
  const style: CSSProperties & Record<`--${string}`, string | undefined> = {
    "--color-paper": ground,
    "--color-card": card,
    "--color-ink": ink,
    "--color-sun": accent,
    "--color-moss": right,
    "--color-line": `color-mix(in srgb, ${ink} 15%, ${ground})`,
    "--color-edge": `color-mix(in srgb, ${ink} 50%, ${ground})`,
  };
  return style;
}

function line(y: (x: number) => number): string {
  const points = Array.from({ length: 33 }, (_, index) => `${index * 10} ${y(index * 10).toFixed(1)}`);
  return `M${points.join("L")}`;
}

/** A bend of up to 14 pixels either way, the same for the same seed. */
function bend(seed: string, index: number): number {
  let mixed = 7 + index * 31;
  for (const character of seed) mixed = (mixed * 33 + (character.codePointAt(0) ?? 0)) % 65_537;
  return (mixed / 65_537) * 28 - 14;
}
