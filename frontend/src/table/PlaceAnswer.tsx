import { useId, useRef, useState, type KeyboardEvent, type MouseEvent, type ReactNode } from "react";
import { mediaAt } from "../api/home";
import type { Feedback, QuestionShown } from "../api/schema";
import { AreaShape } from "./AreaShape";
import { Button } from "../ui/Button";
import { movedBy, numberOf, pointAt, toggled, WHOLE, type Point } from "./places";
import { LOOKS } from "./taken";
import { useSay } from "./translator";

const MIDDLE: Point = [WHOLE / 2, WHOLE / 2];
const MOST = 12;

type PlaceAnswerProps = {
  question: QuestionShown;
  isOpen: boolean;
  feedback: Feedback | null;
  /** Whether names are picked: then these are sent, by their own button. */
  isNamed: boolean;
  onAnswer: (value: number | number[]) => void;
  /** The names of the areas, by which one can answer as well. */
  children: ReactNode;
};

/** A picture to point at: by tapping or by a cross that keys move; after the answer, where it was and what is right. */
export function PlaceAnswer({ question, isOpen, feedback, isNamed, onAnswer, children }: PlaceAnswerProps) {
  const say = useSay();
  const frame = useRef<HTMLDivElement>(null);
  const id = useId();
  const isSeveral = question.wants_all;
  const [points, setPoints] = useState<Point[]>(() => pointsOf(feedback));
  const [cross, setCross] = useState<Point | undefined>();
  const put = (point: Point) => {
    setCross(point);
    setPoints(isSeveral ? toggled(points, point).slice(0, MOST) : [point]);
  };
  const answer = (given: Point[]) => onAnswer(isSeveral ? given.map(numberOf) : numberOf(given[0] ?? MIDDLE));
  const onClick = (event: MouseEvent) => {
    if (isOpen && frame.current) put(pointAt(frame.current.getBoundingClientRect(), event.clientX, event.clientY));
  };
  const onKey = (event: KeyboardEvent) => {
    const from = cross ?? MIDDLE;
    const moved = movedBy(from, event.key, event.shiftKey);
    if (moved) setCross(moved);
    else if (event.key === " " && isSeveral) put(from);
    else if (event.key === "Enter" && (cross || points.length > 0)) answer(isSeveral ? points : [from]);
    else return;
    if (moved && !isSeveral) setPoints([moved]);
    event.preventDefault();
    event.stopPropagation();
  };
  const shown = isOpen ? points : pointsOf(feedback);
  return (
    <div>
      {isOpen && (
        <p id={id} className="mb-2 text-soft">
          {say(isSeveral ? "point at all" : "point at")}
        </p>
      )}
      <div
        ref={frame}
        role={isOpen ? "application" : undefined}
        aria-label={isOpen ? say("picture of the question") : undefined}
        aria-describedby={isOpen ? id : undefined}
        tabIndex={isOpen ? 0 : undefined}
        onClick={onClick}
        onKeyDown={isOpen ? onKey : undefined}
        className={`relative inline-block max-w-full rounded-md border border-edge bg-sheet ${isOpen ? "cursor-crosshair" : ""}`}
      >
        <img src={mediaAt(question.picture)} alt={say("picture of the question")} draggable={false} className="block max-h-[55vh] max-w-full rounded-md" />
        {!isOpen && feedback && <Areas feedback={feedback} />}
        {shown.map((point) => (
          <Cross key={numberOf(point)} at={point} />
        ))}
        {isOpen && isSeveral && cross && <Cross at={cross} isMoving />}
      </div>
      <p role="status" className="sr-only">
        {isOpen && cross && say("cross at", { across: Math.round(cross[0] / 10), down: Math.round(cross[1] / 10) })}
      </p>
      {isOpen && (
        <div className="mt-2 flex flex-wrap items-start justify-between gap-2">
          <details className="min-w-48 flex-1">
            <summary className="min-h-6 cursor-pointer font-semibold">{say("by name")}</summary>
            <div className="mt-2">{children}</div>
          </details>
          {!isNamed && (
            <Button look="main" disabled={points.length === 0} onClick={() => answer(points)}>
              {isSeveral ? say("answer with", { count: points.length }) : say("this place")}
            </Button>
          )}
        </div>
      )}
      {!isOpen && feedback && <AreasNamed feedback={feedback} />}
    </div>
  );
}

function pointsOf(feedback: Feedback | null): Point[] {
  return feedback?.points.map(({ across, down }) => [across, down]) ?? [];
}

/** Where something was pointed at. */
function Cross({ at: [across, down], isMoving = false }: { at: Point; isMoving?: boolean }) {
  return (
    <svg
      aria-hidden
      data-cross
      viewBox="-12 -12 24 24"
      className="pointer-events-none absolute size-8 -translate-1/2"
      style={{ left: `${across / 10}%`, top: `${down / 10}%` }}
    >
      {["stroke-card", "stroke-ink"].map((ink, at) => (
        <path key={ink} d="M-11 0H-3M3 0H11M0 -11V-3M0 3V11" className={`fill-none ${ink}`} strokeWidth={at ? 2.5 : 5} strokeDasharray={isMoving ? "3 2" : undefined} />
      ))}
      {!isMoving && <circle r="7" className="fill-none stroke-ink" strokeWidth="2" />}
    </svg>
  );
}

/** The outlines of the areas that are told, over the picture. */
function Areas({ feedback }: { feedback: Feedback }) {
  return (
    <svg aria-hidden viewBox={`0 0 ${WHOLE} ${WHOLE}`} preserveAspectRatio="none" className="pointer-events-none absolute inset-0 size-full">
      {feedback.areas.map((area) => (
        <AreaShape key={area.name} outline={area.outline} numbers={area.numbers} isRight={area.is_right} />
      ))}
    </svg>
  );
}

/** The names of the areas that are told. */
function AreasNamed({ feedback }: { feedback: Feedback }) {
  const say = useSay();
  return (
    <ul className="mt-2 flex flex-wrap gap-2">
      {feedback.areas.map((area) => {
        const { icon: Icon, frame, ink } = LOOKS[area.is_right ? "good" : "bad"];
        return (
          <li key={area.name} className={`rounded-md border px-2 ${frame}`}>
            <Icon aria-hidden className={`me-1 inline size-4 align-[-0.125em] ${ink}`} />
            <span className="sr-only">{say(area.is_right ? "right answer" : "your answer")}: </span>
            {area.name}
          </li>
        );
      })}
    </ul>
  );
}
