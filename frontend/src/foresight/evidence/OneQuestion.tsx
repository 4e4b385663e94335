import { Link } from "react-router";
import type { Choice, Counted } from "../../api/evidence";
import type { EvidenceView, GameView, EvidenceCount, QuestionEvidence } from "../../api/schema";
import { percent } from "../../app/format";
import { Behind } from "./Behind";
import { Hits } from "./Hits";
import { Suggestions } from "./Suggestions";
import { VerdictMark } from "./VerdictMark";

type OneQuestionProps = {
  game: GameView;
  told: EvidenceView;
  place: number;
  choice: Choice;
  /** The number whose runs are shown. */
  behind: Counted | undefined;
  onBehind: (counted: Counted | undefined) => void;
};

/** One question: how it went, what was given, how long it took, and what could be changed. */
export function OneQuestion({ game, told, place, choice, behind, onBehind }: OneQuestionProps) {
  const one = told.evidence.questions[place];
  const where = told.places[place];
  if (!one) return null;
  const open = (of: EvidenceCount, given = "") => onBehind({ question: place, of, given });
  return (
    <section aria-labelledby="one" className="space-y-3 rounded-xl border border-line bg-card p-4">
      <h2 id="one" className="text-xl break-words">
        {one.prompt}
      </h2>
      <p className="flex flex-wrap items-center justify-between gap-2">
        <VerdictMark says={one.says} />
        {where ? (
          <Link to={`/pack/${where.pack}?row=${where.row + 1}`} className="text-sky underline">
            Open it in its pack
          </Link>
        ) : (
          <span className="text-sm text-soft">not in a pack as it was asked</span>
        )}
      </p>
      <Counts one={one} onOpen={open} />
      <Given one={one} onOpen={open} />
      <Swapped one={one} />
      <Mismatched one={one} />
      <Misfilled one={one} />
      <Hits one={one} picture={where?.picture ?? ""} />
      <Times one={one} />
      <Suggestions game={game} suggestions={told.suggestions[place] ?? []} />
      {behind?.question === place && (
        <Behind key={JSON.stringify(behind)} gameId={game.id} choice={choice} counted={behind} onClose={() => onBehind(undefined)} />
      )}
    </section>
  );
}

type PartProps = { one: QuestionEvidence; onOpen: (of: EvidenceCount, given?: string) => void };

/** The numbers of a question, each leading to the runs behind it. */
function Counts({ one, onOpen }: PartProps) {
  const right = one.right_at.reduce((sum, times) => sum + times, 0);
  const counts: [EvidenceCount, string, number][] = [
    ["asked", "asked", one.asked],
    ["right", "right", right],
    ["first", "right at once", one.right_at[0] ?? 0],
    ["partly", "partly right at the end", one.partly],
    ["late", "too late", one.late],
    ["passed", "passed", one.passed],
    ["hinted", "took the hint", one.hinted],
  ];
  return (
    <>
      <ul className="flex flex-wrap gap-x-4 gap-y-1">
        {counts
          .filter(([of, , count]) => count > 0 || of === "right")
          .map(([of, words, count]) => (
            <li key={of}>
              <button type="button" onClick={() => onOpen(of)} className="rounded text-sky underline tabular-nums">
                {count} {words}
              </button>
            </li>
          ))}
      </ul>
      <p className="text-sm text-soft">
        Right {percent(one.right.share)}; of many more players it would be {percent(one.right.least)} to {percent(one.right.most)} (95 %).
        {one.right_at.length > 1 && ` By tries: ${one.right_at.join(", ")}.`}
      </p>
    </>
  );
}

/** Which neighbours of an order were put the wrong way round at first. */
function Swapped({ one }: { one: QuestionEvidence }) {
  if (one.swapped.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">Put the wrong way round first</h3>
      <ul>
        {one.swapped.map(({ first, second, times }) => (
          <li key={`${first} ${second}`} className="flex justify-between gap-3 break-words">
            <span>
              {second} before {first}
            </span>
            <span className="text-soft tabular-nums">{times}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Which wrong partners the items of a match were given at first. */
function Mismatched({ one }: { one: QuestionEvidence }) {
  if (one.mismatched.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">Matched with the wrong one first</h3>
      <ul>
        {one.mismatched.map(({ item, partner, times }) => (
          <li key={`${item} ${partner}`} className="flex justify-between gap-3 break-words">
            <span>
              {item} with {partner}
            </span>
            <span className="text-soft tabular-nums">{times}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What was given at first for gaps, and does not fit. */
function Misfilled({ one }: { one: QuestionEvidence }) {
  if (one.misfilled.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">Filled into the gaps first</h3>
      <ul>
        {one.misfilled.map(({ number, right, given, times }) => (
          <li key={`${number} ${given}`} className="flex justify-between gap-3 break-words">
            <span>
              gap {number} ({right}): {given || <i>left empty</i>}
            </span>
            <span className="text-soft tabular-nums">{times}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What was given first, as bars: the right answer, then the wrong ones. */
function Given({ one, onOpen }: PartProps) {
  const rows = [
    { words: one.answer, given: undefined, times: one.right_at[0] ?? 0 },
    ...one.picked.map(({ given, times }) => ({ words: given, given, times })),
  ];
  const most = Math.max(1, ...rows.map(({ times }) => times));
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">{one.is_picked ? "What was picked first" : "What was typed first"}</h3>
      <ul className="max-h-60 space-y-1 overflow-auto">
        {rows.map(({ words, given, times }) => (
          <li key={given ?? "right"} className="grid grid-cols-[minmax(0,1fr)_7rem_3rem] items-center gap-2">
            <span className={`break-words ${given === undefined ? "font-semibold" : ""}`}>
              {words}
              {given === undefined && <span className="sr-only"> (right)</span>}
              {given === undefined && <span aria-hidden> ✓</span>}
            </span>
            <span aria-hidden className="h-3.5 rounded-sm bg-paper">
              <span
                className={`block h-full rounded-sm ${given === undefined ? "bg-moss" : "bg-sky"}`}
                style={{ width: `${(100 * times) / most}%` }}
              />
            </span>
            <button
              type="button"
              disabled={times === 0}
              onClick={() => (given === undefined ? onOpen("first") : onOpen("given", given))}
              className="rounded text-right text-sky underline tabular-nums disabled:text-soft disabled:no-underline"
            >
              {times}
              <span className="sr-only"> gave {words}</span>
            </button>
          </li>
        ))}
      </ul>
      {one.unpicked.length > 0 && <p className="mt-1 text-sm">Nobody picks {one.unpicked.join(", ")}: a choice that could be better.</p>}
    </div>
  );
}

/** When answers came, as a strip: the middle half, the median, and four in five, against the clock. */
function Times({ one }: { one: QuestionEvidence }) {
  if (!one.seconds) return null;
  const { first, median, third } = one.seconds;
  const whole = Math.max(third, one.most_within ?? 0, one.allowed ?? 0) * 1.05;
  const at = (seconds: number) => `${(100 * seconds) / whole}%`;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">How long it took</h3>
      <div aria-hidden className="relative h-6 rounded-sm bg-paper">
        <span className="absolute inset-y-1 rounded-sm bg-sky" style={{ left: at(first), width: at(third - first) }} />
        <span className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: at(median) }} />
        {one.most_within !== null && <span className="absolute inset-y-0 border-l-2 border-dotted border-ink" style={{ left: at(one.most_within) }} />}
        {one.allowed !== null && <span className="absolute inset-y-0 w-1 bg-clay" style={{ left: at(one.allowed) }} />}
      </div>
      <p className="text-sm text-soft">
        Half within {median.toFixed(1)} s, the middle half from {first.toFixed(1)} to {third.toFixed(1)} s
        {one.most_within !== null && `, four in five within ${one.most_within.toFixed(1)} s`}
        {one.allowed !== null && `; the clock gives ${one.allowed} s`}.
      </p>
    </div>
  );
}
