import { mediaAt } from "../../api/home";
import type { QuestionEvidence } from "../../api/schema";

/** Where players pointed first, over the picture: a ring where it was right, a cross where it was not. */
export function Hits({ one, picture }: { one: QuestionEvidence; picture: string }) {
  if (one.hits.length === 0) return null;
  const right = one.hits.filter((hit) => hit.is_right).length;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">Pointed at first</h3>
      <p className="text-sm text-soft">
        ○ {right} right, × {one.hits.length - right} elsewhere.
      </p>
      <div className="relative mt-1 inline-block max-w-full overflow-hidden rounded-md border border-edge bg-sheet">
        {picture ? (
          <img src={mediaAt(picture)} alt="The picture of the question" className="block max-h-80 max-w-full" />
        ) : (
          <div className="h-60 w-96 max-w-full" />
        )}
        {one.hits.map((hit, number) => (
          <span
            key={number}
            aria-hidden
            className={`absolute -translate-1/2 text-2xl leading-none font-bold [text-shadow:0_0_3px_var(--color-card),0_0_3px_var(--color-card)] ${hit.is_right ? "text-good" : "text-bad"}`}
            style={{ left: `${hit.across / 10}%`, top: `${hit.down / 10}%` }}
          >
            {hit.is_right ? "○" : "×"}
          </span>
        ))}
      </div>
    </div>
  );
}
