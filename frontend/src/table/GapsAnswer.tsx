import { CornerDownLeft } from "lucide-react";
import { Fragment, useRef, useState, type ReactNode } from "react";
import type { Feedback, GapsShown } from "../api/schema";
import { Button } from "../ui/Button";
import { filledFrom, nextEmpty } from "./gaps";
import { LOOKS } from "./taken";
import { useSay } from "./translator";

type GapsAnswerProps = {
  gaps: GapsShown;
  isOpen: boolean;
  feedback: Feedback | null;
  /** Whether this is what the player does next. */
  isNext: boolean;
  onAnswer: (value: string) => void;
};

/** A text with fields in its lines: each gap is typed, or picked from words; after the answer, what was given and what fits. */
export function GapsAnswer({ gaps, isOpen, feedback, isNext, onAnswer }: GapsAnswerProps) {
  const say = useSay();
  const form = useRef<HTMLFormElement>(null);
  const [filled, setFilled] = useState(() => filledFrom(gaps, feedback));
  const fill = (at: number, word: string) => setFilled(filled.map((other, place) => (place === at ? word : other)));
  const field = (at: number) => (
    <GapField
      label={say("gap of", { number: at + 1, count: filled.length })}
      words={gaps.words[at] ?? []}
      value={filled[at] ?? ""}
      isNext={isNext && at === 0}
      onChange={(word) => fill(at, word)}
    />
  );
  return (
    <form
      ref={form}
      onSubmit={(event) => {
        event.preventDefault();
        const empty = nextEmpty(filled, fieldsOf(form.current).indexOf(document.activeElement as HTMLElement));
        const isByButton = document.activeElement instanceof HTMLButtonElement;
        if (empty !== undefined && !isByButton) fieldsOf(form.current)[empty]?.focus();
        else onAnswer(filled.join("\n"));
      }}
    >
      <p className="text-xl leading-loose break-words whitespace-pre-line" dir="auto">
        {gaps.around.map((text, at) => (
          <Fragment key={at}>
            {text}
            {at < gaps.words.length && (isOpen ? field(at) : <GapTold told={feedback?.gaps[at]} />)}
          </Fragment>
        ))}
      </p>
      {isOpen && (
        <p className="mt-2 text-end">
          <Button type="submit" look="main" disabled={filled.every((word) => word.trim() === "")}>
            <CornerDownLeft aria-hidden className="rtl:-scale-x-100" /> {say("answer")}
          </Button>
        </p>
      )}
    </form>
  );
}

function fieldsOf(form: HTMLFormElement | null): HTMLElement[] {
  return [...(form?.querySelectorAll<HTMLElement>("[data-gap]") ?? [])];
}

type GapFieldProps = { label: string; words: string[]; value: string; isNext: boolean; onChange: (word: string) => void };

/** The field of a gap: a list of its words, or a line to type into. */
function GapField({ label, words, value, isNext, onChange }: GapFieldProps) {
  const say = useSay();
  const look = "mx-0.5 min-h-9 max-w-full rounded-md border border-dashed border-edge bg-card px-2 text-lg align-baseline";
  const marks = { "data-gap": true, "data-next": isNext ? true : undefined, "data-typed": isNext ? true : undefined };
  if (words.length === 0) {
    return (
      <input
        {...marks}
        aria-label={label}
        value={value}
        size={Math.min(28, Math.max(9, value.length + 1))}
        maxLength={200}
        autoComplete="off"
        autoCapitalize="off"
        onChange={(event) => onChange(event.target.value)}
        className={look}
      />
    );
  }
  return (
    <select {...marks} aria-label={label} value={value} onChange={(event) => onChange(event.target.value)} className={look}>
      <option value="">{say("no word yet")}</option>
      {words.map((word) => (
        <option key={word} value={word}>
          {word}
        </option>
      ))}
    </select>
  );
}

/** What was given for a gap, and what fits where that is told. */
function GapTold({ told }: { told: Feedback["gaps"][number] | undefined }): ReactNode {
  const say = useSay();
  if (!told) return null;
  const given = told.given || say("gap left empty");
  if (told.is_right === null) return <b className="mx-0.5 rounded-md border border-line px-2">{given}</b>;
  const { icon: Icon, ink, frame } = LOOKS[told.is_right ? "good" : "bad"];
  const Right = LOOKS.good.icon;
  return (
    <span className="mx-0.5">
      <span className={`rounded-md border px-2 whitespace-nowrap ${frame}`}>
        <Icon aria-hidden className={`me-1 inline size-4 align-[-0.125em] ${ink}`} />
        <span className="sr-only">{say(told.is_right ? "right answer" : "your answer")}: </span>
        <span className={told.is_right ? "font-semibold" : told.given ? "line-through" : "italic"}>{given}</span>
      </span>
      {!told.is_right && (
        <span className={`ms-1 rounded-md border px-2 font-semibold whitespace-nowrap ${LOOKS.good.frame}`}>
          <Right aria-hidden className={`me-1 inline size-4 align-[-0.125em] ${LOOKS.good.ink}`} />
          <span className="sr-only">{say("right answer")}: </span>
          {told.right}
        </span>
      )}
    </span>
  );
}
