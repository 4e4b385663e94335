import type { QuestionShown } from "../api/schema";
import { useWording, type Say } from "./translator";

type WordProps = { question: QuestionShown; isOpen: boolean; onLetter: (char: string) => void };

const DIGITS = "0123456789";

/** A word to find letter by letter; a phrase breaks between its words alone. */
export function Word({ question, isOpen, onLetter }: WordProps) {
  const { say, letters } = useWording();
  const hasDigits = question.tried.some((character) => /\d/.test(character));
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
                {cell.character || "\u00a0"}
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
                {Array.from(row, (character) => {
                  const isTried = question.tried.includes(character);
                  return (
                    <button
                      key={character}
                      type="button"
                      aria-disabled={isTried}
                      aria-label={isTried ? say("tried", { sign: character }) : character}
                      onClick={isTried ? undefined : () => onLetter(character)}
                      className="min-h-8 rounded-md border border-edge bg-card uppercase hover:border-ink hover:bg-tint aria-disabled:border-line aria-disabled:bg-paper aria-disabled:text-soft aria-disabled:line-through"
                    >
                      {character}
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
  return question.words.map((word) => word.map((cell) => cell.character || say("blank")).join(" ")).join(", ");
}
