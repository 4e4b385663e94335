import { useId } from "react";
import type { Feedback, ScaleShown } from "../api/schema";
import { Button } from "../ui/Button";
import { numberAt } from "./scale";
import { useSay, useWording } from "./translator";

type EstimateAnswerProps = {
  scale: ScaleShown;
  isOpen: boolean;
  feedback: Feedback | null;
  /** The point that is set so far, from 0; undefined for none yet. */
  point: number | undefined;
  onPoint: (point: number) => void;
  onAnswer: (place: number) => void;
};

/** A number on a scale: set by a slider, with its value beside it; after the answer, where it lay and what is right. */
export function EstimateAnswer({ scale, isOpen, feedback, point, onPoint, onAnswer }: EstimateAnswerProps) {
  const say = useSay();
  const { number } = useWording();
  const id = useId();
  const told = (at: number) => [number(numberAt(scale, at)), scale.unit].filter(Boolean).join(" ");
  const [least, most] = [told(0), told(scale.points - 1)];
  const middle = Math.floor((scale.points - 1) / 2);
  const isSet = point !== undefined;
  return (
    <div>
      {isOpen && <p className="mb-2 text-soft">{say("estimate it", { least, most })}</p>}
      <div className="rounded-md border border-edge bg-card px-4 py-3">
        {isOpen ? (
          <>
            <p className="flex flex-wrap items-baseline justify-between gap-2">
              <label htmlFor={id} className="font-semibold">
                {say("on scale")}
              </label>
              <output htmlFor={id} className={isSet ? "font-serif text-2xl font-semibold tabular-nums" : "text-soft"}>
                {isSet ? told(point) : say("no estimate yet")}
              </output>
            </p>
            <input
              id={id}
              type="range"
              min={0}
              max={scale.points - 1}
              value={point ?? middle}
              aria-valuetext={isSet ? told(point) : say("no estimate yet")}
              onChange={(event) => onPoint(Number(event.target.value))}
              onKeyDown={(event) => event.key === "Enter" && isSet && onAnswer(point + 1)}
              onPointerUp={(event) => onPoint(Number(event.currentTarget.value))}
              className={`mt-1 h-8 w-full cursor-pointer accent-accent ${isSet ? "" : "opacity-60"}`}
            />
          </>
        ) : (
          <Marks feedback={feedback} given={feedback?.given_at == null ? "" : told(Math.round(feedback.given_at * (scale.points - 1)))} />
        )}
        <p className="flex justify-between gap-2 text-soft tabular-nums">
          <span>{least}</span>
          <span>{most}</span>
        </p>
      </div>
      {isOpen && (
        <p className="mt-2 text-end">
          <Button look="main" disabled={!isSet} onClick={() => isSet && onAnswer(point + 1)}>
            {say("this estimate")}
          </Button>
        </p>
      )}
    </div>
  );
}

/** The scale after the answer: a ring where the estimate lay, a filled mark where the right number is. */
function Marks({ feedback, given }: { feedback: Feedback | null; given: string }) {
  const say = useSay();
  const at = (part: number) => `${100 * part}%`;
  return (
    <div className="relative my-6 h-1.5 rounded-full bg-line">
      {feedback?.right_at != null && (
        <span className="absolute -top-2 -ms-2.5 size-5.5 rounded-full border-2 border-good bg-good" style={{ insetInlineStart: at(feedback.right_at) }}>
          <span className="absolute start-1/2 top-6 -translate-x-1/2 text-sm font-semibold whitespace-nowrap text-good rtl:translate-x-1/2">{say("right answer")}</span>
        </span>
      )}
      {feedback?.given_at != null && (
        <span className="absolute -top-2 -ms-2.5 size-5.5 rounded-full border-3 border-ink" style={{ insetInlineStart: at(feedback.given_at) }}>
          <span className="absolute start-1/2 bottom-6 -translate-x-1/2 text-sm font-semibold whitespace-nowrap text-ink rtl:translate-x-1/2">{say("your answer")} {given}</span>
        </span>
      )}
    </div>
  );
}
