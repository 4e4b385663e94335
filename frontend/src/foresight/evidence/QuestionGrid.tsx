import { SquareArrowOutUpRight } from "lucide-react";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { EvidenceView, EvidenceCount, QuestionEvidence } from "../../api/schema";
import { percent } from "../../app/format";
import { rankOf } from "./verdicts";
import { VerdictMark } from "./VerdictMark";

type Column = { name: string; counts?: EvidenceCount; of: (one: QuestionEvidence) => number; show: (one: QuestionEvidence) => string };

const COLUMNS: Column[] = [
  { name: "Asked", counts: "asked", of: (one) => one.asked, show: (one) => String(one.asked) },
  { name: "Right", counts: "right", of: (one) => one.right.share, show: (one) => percent(one.right.share) },
  { name: "Late", counts: "late", of: (one) => one.late / one.asked, show: (one) => (one.late ? percent(one.late / one.asked) : "") },
  { name: "Median", counts: "asked", of: (one) => one.seconds?.median ?? 0, show: (one) => (one.seconds ? `${one.seconds.median.toFixed(1)} s` : "") },
  { name: "With the rest", counts: "asked", of: (one) => one.with_rest ?? 0, show: (one) => one.with_rest?.toFixed(2) ?? "" },
];

const SAYS: Column = { name: "Says", of: (one) => rankOf(one.says), show: (one) => one.says };

type QuestionGridProps = {
  told: EvidenceView;
  chosen: number;
  onChoose: (place: number) => void;
  /** A number was pressed: its runs are wanted. */
  onCounted: (place: number, of: EvidenceCount) => void;
};

/** Every question with what its answers say, sorted by whichever column is wanted. */
export function QuestionGrid({ told, chosen, onChoose, onCounted }: QuestionGridProps) {
  const [sorting, setSorting] = useState({ by: SAYS.name, isDown: false });
  const { questions } = told.evidence;
  const order = useMemo(() => {
    const places = questions.map((_, place) => place);
    const read = (COLUMNS.find(({ name }) => name === sorting.by) ?? SAYS).of;
    const value = (place: number) => (questions[place] ? read(questions[place]) : 0);
    places.sort((one, other) => value(one) - value(other));
    return sorting.isDown ? places.reverse() : places;
  }, [questions, sorting]);
  const sort = (by: string) => setSorting({ by, isDown: sorting.by === by && !sorting.isDown });
  return (
    <section aria-labelledby="questions" className="min-w-0 rounded-xl border border-line bg-card p-4">
      <h2 id="questions" className="mb-1 text-2xl">
        Questions
      </h2>
      <div className="max-h-104 overflow-auto" tabIndex={0} role="region" aria-labelledby="questions">
        <table className="w-full">
          <thead className="sticky top-0 bg-card text-left">
            <tr>
              <th scope="col" className="py-1 pr-3 font-normal text-soft">
                Question
              </th>
              {[...COLUMNS, SAYS].map(({ name }) => name).map((name) => (
                <th
                  key={name}
                  scope="col"
                  aria-sort={sorting.by === name ? (sorting.isDown ? "descending" : "ascending") : undefined}
                  className="py-1 pr-3 font-normal whitespace-nowrap text-soft"
                >
                  <button type="button" className="rounded underline-offset-2 hover:underline" onClick={() => sort(name)}>
                    {name}
                    {sorting.by === name && (sorting.isDown ? " ↓" : " ↑")}
                  </button>
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">Pack</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {order.map((place) => {
              const one = questions[place];
              if (!one) return null;
              return (
                <tr key={place} className={`border-t border-line ${place === chosen ? "bg-sun-pale" : ""}`}>
                  <th scope="row" className="py-1 pr-3 text-left font-normal">
                    <button
                      type="button"
                      aria-pressed={place === chosen}
                      onClick={() => onChoose(place)}
                      className="rounded text-left text-sky underline-offset-2 hover:underline"
                    >
                      {one.prompt}
                    </button>
                  </th>
                  {COLUMNS.map(({ name, counts, show }) => (
                    <td key={name} className="py-1 pr-3 whitespace-nowrap tabular-nums">
                      {counts ? (
                        <button type="button" className="rounded underline-offset-2 hover:underline" onClick={() => onCounted(place, counts)}>
                          {show(one)}
                          <span className="sr-only"> {name.toLowerCase()}: the runs behind it</span>
                        </button>
                      ) : (
                        show(one)
                      )}
                    </td>
                  ))}
                  <td className="py-1 whitespace-nowrap">
                    <VerdictMark says={one.says} />
                  </td>
                  <td className="py-1 pl-2">
                    {told.places[place] && (
                      <Link
                        to={`/pack/${told.places[place].pack}?row=${told.places[place].row + 1}`}
                        aria-label={`Open “${one.prompt}” in its pack`}
                        title="Open it in its pack"
                        className="grid size-6 place-items-center rounded text-sky"
                      >
                        <SquareArrowOutUpRight aria-hidden className="size-4" />
                      </Link>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="mt-2 text-sm text-soft">
        “With the rest” is how far being right here goes with being right at the other questions of the run: near 0 or below, the
        question does not tell who knows more. Cronbach’s alpha {told.evidence.alpha === null ? "cannot be said" : told.evidence.alpha.toFixed(2)}:{" "}
        {told.evidence.alpha_of}.
      </p>
    </section>
  );
}
