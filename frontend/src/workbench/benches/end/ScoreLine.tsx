import { Slider } from "radix-ui";
import { useState } from "react";
import type { Ending, ScoreSpan } from "../../../api/schema";

type ScoreLineProps = { spans: ScoreSpan[]; others: ScoreSpan[]; endings: Ending[]; onMove: (left: number, right: number, score: number) => void };

/** A border between two endings, by their numbers: the lowest score of the one to its right. */
type Border = { left: number; right: number; score: number };

/** Every score a run can end with, from low to high, under the ending it leads to; the borders
 * between endings that count the score are dragged. `others` come with such scores too. */
export function ScoreLine({ spans, others, endings, onMove }: ScoreLineProps) {
  const [dragged, setDragged] = useState<number[]>();
  const first = spans[0];
  const last = spans.at(-1);
  if (!first || !last) return null;
  const borders = bordersOf(spans, endings);
  const lowest = first.lowest;
  const highest = Math.max(last.highest, lowest + 1);
  const share = (score: number) => (100 * (score - lowest)) / (highest - lowest + 1);
  const values = dragged ?? borders.map(({ score }) => score);
  const commit = (moved: number[]) => {
    setDragged(undefined);
    const place = borders.findIndex(({ score }, at) => moved[at] !== score);
    const border = borders[place];
    const score = moved[place];
    if (border && score !== undefined) onMove(border.left, border.right, score);
  };
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">Scores and the endings they lead to</figcaption>
      <div className="relative h-6">
        {spans.map((span) => (
          <span
            key={span.lowest}
            className={`absolute top-2 h-2.5 ${span.ending === null ? "border-t-4 border-dashed border-clay" : "bg-moss"}`}
            style={{ left: `${share(span.lowest)}%`, width: `calc(${share(span.highest + 1) - share(span.lowest)}% - 2px)` }}
          />
        ))}
        {borders.length > 0 && (
          <Slider.Root
            min={lowest}
            max={highest + 1}
            step={1}
            minStepsBetweenThumbs={1}
            value={values}
            onValueChange={setDragged}
            onValueCommit={commit}
            className="absolute inset-0 flex touch-none items-center"
          >
            <Slider.Track className="h-full flex-1" />
            {borders.map((border, place) => (
              <Slider.Thumb
                key={place}
                aria-label={`Border between ${titleOf(endings, border.left)} and ${titleOf(endings, border.right)}`}
                title={`from ${values[place] ?? border.score}: ${titleOf(endings, border.right)}`}
                className="block h-6 w-3 cursor-ew-resize rounded-md border-2 border-ink bg-card"
              />
            ))}
          </Slider.Root>
        )}
      </div>
      <ol className="flex gap-1">
        {spans.map((span) => {
          const name = nameOf(endings, span.ending);
          const range = rangeOf(span);
          return (
            <li key={span.lowest} title={`${range}: ${name}`} style={{ flexGrow: span.highest - span.lowest + 1 }} className="min-w-14 basis-0 overflow-hidden text-sm">
              <span className="block truncate font-semibold">{name}</span>
              <span className="block truncate tabular-nums">{range}</span>
              {span.others.length > 0 && (
                <span className="block truncate text-clay-dark">
                  also {span.others.map((other) => `${other + 1} ${titleOf(endings, other)}`).join(", ")}
                </span>
              )}
            </li>
          );
        })}
      </ol>
      {others.length > 0 && (
        <p className="text-sm text-soft">
          By what else they count: {others.map((other) => `${nameOf(endings, other.ending)} at ${rangeOf(other)}`).join(", ")}
        </p>
      )}
      {dragged && <p role="status" className="text-sm">{borders.map((border, at) => `${titleOf(endings, border.right)} from ${dragged[at] ?? ""}`).join(", ")}</p>}
    </figure>
  );
}

function titleOf(endings: Ending[], number: number): string {
  return endings[number]?.title ?? "";
}

/** An ending with its number, as the list beside counts. */
function nameOf(endings: Ending[], number: number | null): string {
  return number === null ? "No ending" : `${number + 1} ${titleOf(endings, number)}`;
}

function rangeOf({ lowest, highest }: ScoreSpan): string {
  return lowest === highest ? String(lowest) : `${lowest} to ${highest}`;
}

/** The borders a maker can move: between neighbours of which both count the score. */
function bordersOf(spans: ScoreSpan[], endings: Ending[]): Border[] {
  return spans.flatMap((span, place) => {
    const next = spans[place + 1];
    if (!next || span.ending === null || next.ending === null) return [];
    const [left, right] = [endings[span.ending], endings[next.ending]];
    const isScore = left?.counts === "score" && right?.counts === "score" && Number.isInteger(next.lowest);
    return isScore ? [{ left: span.ending, right: next.ending, score: next.lowest }] : [];
  });
}
