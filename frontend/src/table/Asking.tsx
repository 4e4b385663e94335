import { ArrowRight, Check, CornerDownLeft, X } from "lucide-react";
import { useState } from "react";
import type { QuestionShown, Slat, Table } from "../api/schema";
import { Button } from "../ui/Button";
import { QuestionMedia } from "./QuestionMedia";

type AskingProps = {
  table: Table;
  question: QuestionShown;
  onAnswer: (value: number | string) => void;
  onContinue: () => void;
};

/** A question, its slats, and after the answer what came of it. */
export function Asking({ table, question, onAnswer, onContinue }: AskingProps) {
  const isOpen = table.phase === "asking";
  const feedback = table.feedback;
  return (
    <>
      <p className="flex flex-wrap justify-between gap-x-4 text-soft">
        <span>
          Question <b className="text-ink">{question.number}</b> of {table.length}
        </span>
        <span>
          Score <b className="text-ink tabular-nums">{table.score}</b>
        </span>
      </p>
      <h2
        id="prompt"
        tabIndex={-1}
        data-next={isOpen ? true : undefined}
        className="mt-3 mb-4 text-2xl text-pretty break-words whitespace-pre-line"
      >
        {question.prompt}
      </h2>
      <QuestionMedia picture={question.picture} sound={question.sound} />
      <ul aria-labelledby="prompt" className="grid gap-2">
        {question.choices.map((slat) => (
          <li key={slat.place}>
            <SlatButton
              slat={slat}
              isOpen={isOpen}
              isRight={feedback?.right_places.includes(slat.place) ?? false}
              isGiven={feedback?.given_place === slat.place}
              onPick={() => onAnswer(slat.place)}
            />
          </li>
        ))}
      </ul>
      {isOpen && table.typing && (
        <TypedAnswer
          label={question.choices.length ? "Or type your answer" : "Type your answer"}
          onAnswer={onAnswer}
        />
      )}
      <div role="status" className="mt-3">
        {isOpen && feedback && (
          <p className="rounded-lg bg-sky-pale px-3 py-2">
            That could not be read: {feedback.why}. It costs nothing; answer again.
          </p>
        )}
        {!isOpen && feedback && (
          <div className="flex flex-wrap items-center justify-between gap-3">
            <p className="text-lg">
              <b className="font-serif text-2xl">{feedback.verdict === "right" ? "Right." : "Not this time."}</b>{" "}
              {feedback.verdict === "wrong" && `It is ${feedback.answer}.`}
            </p>
            <Button look="main" data-next onClick={onContinue}>
              Go on <ArrowRight aria-hidden />
            </Button>
            {feedback.note && <p className="basis-full text-soft">{feedback.note}</p>}
          </div>
        )}
      </div>
    </>
  );
}

type SlatButtonProps = {
  slat: Slat;
  isOpen: boolean;
  isRight: boolean;
  isGiven: boolean;
  onPick: () => void;
};

function SlatButton({ slat, isOpen, isRight, isGiven, onPick }: SlatButtonProps) {
  const look = isOpen
    ? "border-edge hover:bg-sun-pale hover:border-ink"
    : isRight
      ? "border-moss bg-moss-pale"
      : isGiven
        ? "border-clay bg-clay-pale"
        : "border-line text-soft";
  return (
    <button
      type="button"
      aria-disabled={!isOpen}
      onClick={isOpen ? onPick : undefined}
      className={`flex min-h-11 w-full items-center gap-3 rounded-md border bg-card px-3 py-1.5 text-left transition-colors aria-disabled:cursor-default ${look}`}
    >
      <span className="w-6 shrink-0 border-r border-line pr-2 font-serif text-lg font-semibold">{slat.letter}</span>
      <span className="min-w-0 flex-1 break-words whitespace-pre-line">{slat.text}</span>
      {isRight && (
        <span className="flex shrink-0 items-center gap-1 font-semibold text-moss">
          <Check className="size-5" aria-hidden /> right answer
        </span>
      )}
      {isGiven && !isRight && (
        <span className="flex shrink-0 items-center gap-1 font-semibold text-clay-dark">
          <X className="size-5" aria-hidden /> your answer
        </span>
      )}
    </button>
  );
}

function TypedAnswer({ label, onAnswer }: { label: string; onAnswer: (value: string) => void }) {
  const [typed, setTyped] = useState("");
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onAnswer(typed);
        setTyped("");
      }}
    >
      <input
        aria-label={label}
        placeholder={label}
        value={typed}
        maxLength={500}
        autoComplete="off"
        onChange={(event) => setTyped(event.target.value)}
        className="min-h-9 min-w-0 flex-1 rounded-md border border-dashed border-edge bg-card px-3 placeholder:text-soft"
      />
      <Button type="submit">
        <CornerDownLeft aria-hidden /> Answer
      </Button>
    </form>
  );
}
