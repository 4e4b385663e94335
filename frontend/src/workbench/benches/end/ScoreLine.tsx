import type { Ending, ScoreSpan } from "../../../api/schema";

type ScoreLineProps = { spans: ScoreSpan[]; endings: Ending[] };

/** Every score a run can end with, from low to high, under the ending it leads to. */
export function ScoreLine({ spans, endings }: ScoreLineProps) {
  if (spans.length === 0) return null;
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">Scores and the endings they lead to</figcaption>
      <ol className="flex gap-1">
        {spans.map((span) => {
          const name = span.ending === null ? "No ending" : `${span.ending + 1} ${endings[span.ending]?.title ?? ""}`;
          const range = span.lowest === span.highest ? span.lowest : `${span.lowest} to ${span.highest}`;
          return (
            <li
              key={span.lowest}
              title={`${range}: ${name}`}
              style={{ flexGrow: span.highest - span.lowest + 1 }}
              className={`min-w-14 basis-0 overflow-hidden border-t-8 pt-1 text-sm ${span.ending === null ? "border-dashed border-clay" : "border-moss"}`}
            >
              <span className="block truncate font-semibold">{name}</span>
              <span className="block truncate tabular-nums">{range}</span>
              {span.others.length > 0 && (
                <span className="block truncate text-clay-dark">
                  also {span.others.map((other) => `${other + 1} ${endings[other]?.title ?? ""}`).join(", ")}
                </span>
              )}
            </li>
          );
        })}
      </ol>
    </figure>
  );
}
