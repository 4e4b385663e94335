import type { QuestionShown } from "../api/schema";
import { useWording, type Say } from "./wording";

type WordProps = { question: QuestionShown; isOpen: boolean; onLetter: (char: string) => void };

const DIGITS = "0123456789";

/** A word to find letter by letter; a phrase breaks between its words alone. */
export function Word({ question, isOpen, onLetter }: WordProps) {
  const { say, letters } = useWording();
  const hasDigits = question.tried.some((sign) => /\d/.test(sign));
  return (
    <div className="space-y-3">
      <p aria-label={inWords(question, say)} className="flex flex-wrap gap-x-5 gap-y-2 font-serif text-3xl font-semibold">
        {question.words.map((word, place) => (
          // Words have no identity but their place.
          <span key={place} aria-hidden className="inline-flex gap-1 whitespace-nowrap">
            {word.map((cell, spot) => (
              <span
                key={spot}
                className={`inline-block min-w-6 text-center ${cell.is_hidden ? "border-b-3 border-ink" : ""}`}
              >
                {cell.sign || "\u00a0"}
              </span>
            ))}
          </span>
        ))}
      </p>
      {isOpen && (
        <>
          {question.tries_left !== null && (
            <p className="text-soft">{say("misses left", { count: question.tries_left })}</p>
          )}
          <div aria-label={say("letters")} role="group" className="@container space-y-1">
            {(hasDigits ? [...letters, DIGITS] : letters).map((row) => (
              <div key={row} className="grid grid-cols-7 gap-1 @sm:grid-cols-13">
                {Array.from(row, (sign) => {
                  const isTried = question.tried.includes(sign);
                  return (
                    <button
                      key={sign}
                      type="button"
                      aria-disabled={isTried}
                      aria-label={isTried ? say("tried", { sign }) : sign}
                      onClick={isTried ? undefined : () => onLetter(sign)}
                      className="min-h-8 rounded-md border border-edge bg-card uppercase hover:border-ink hover:bg-tint aria-disabled:border-line aria-disabled:bg-paper aria-disabled:text-soft aria-disabled:line-through"
                    >
                      {sign}
                    </button>
                  );
                })}
              </div>
            ))}
          </div>
        </>
      )}
    </div>
  );
}

function inWords(question: QuestionShown, say: Say): string {
  return question.words.map((word) => word.map((cell) => cell.sign || say("blank")).join(" ")).join(", ");
}
