import { Check, Hourglass, SkipForward, X } from "lucide-react";
import type { Answered } from "../api/schema";

type ReviewProps = { answered: Answered[]; players: string[] };

const MARKS = {
  good: { icon: Check, look: "text-good" },
  bad: { icon: X, look: "text-bad" },
  late: { icon: Hourglass, look: "text-bad" },
  passed: { icon: SkipForward, look: "text-soft" },
};

/** Every question of a run with what was answered, what is right, and the note. */
export function Review({ answered, players }: ReviewProps) {
  if (answered.length === 0) return null;
  return (
    <section aria-labelledby="review" className="mt-6">
      <h2 id="review" className="text-2xl">
        Your answers
      </h2>
      <ol className="mt-2">
        {answered.map((one, place) => {
          const { icon: Icon, look } = MARKS[markOf(one.result)];
          return (
            // Answers have no identity but their place.
            <li key={place} className="flex gap-3 border-t border-line py-2">
              <Icon aria-hidden className={`mt-1 size-5 shrink-0 ${look}`} />
              <div className="min-w-0 flex-1">
                <p className="font-semibold break-words">{one.prompt}</p>
                <p className="break-words">
                  {players.length > 1 && `${players[one.player] ?? ""}: `}
                  <span className={`font-semibold ${look}`}>{wordsOf(one)}</span>
                </p>
                {one.right && markOf(one.result) !== "good" && <p className="break-words">It is {one.right}.</p>}
                {one.note && <p className="text-soft">{one.note}</p>}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function markOf(result: string): keyof typeof MARKS {
  if (result === "right" || result === "close") return "good";
  return result === "late" || result === "passed" ? result : "bad";
}

function wordsOf({ result, given }: Answered): string {
  if (result === "late") return "too late";
  if (result === "passed") return "passed";
  return `${given || "no answer"}: ${result === "close" ? "close enough" : result}`;
}
