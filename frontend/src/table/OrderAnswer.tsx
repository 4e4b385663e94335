import { ArrowDown, ArrowUp, GripVertical } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { mediaAt } from "../api/home";
import type { OfferedChoice, QuestionShown } from "../api/schema";
import { Button } from "../ui/Button";
import { movedTo } from "./ordering";
import { SoundPlayer } from "./SoundPlayer";
import { LOOKS, type Taken } from "./taken";
import { useSay } from "./translator";

type OrderAnswerProps = {
  question: QuestionShown;
  /** The places of the choices, as they are put so far or were put. */
  order: number[];
  isOpen: boolean;
  /** The places in the right order, once it is told. */
  right: number[];
  taken: Taken;
  onOrder: (order: number[]) => void;
  onAnswer: (order: number[]) => void;
};

/** Choices to put in order: dragged by their grips, moved by arrows on the page or on the keyboard. */
export function OrderAnswer({ question, order, isOpen, right, taken, onOrder, onAnswer }: OrderAnswerProps) {
  const say = useSay();
  const list = useRef<HTMLOListElement>(null);
  const [moved, setMoved] = useState("");
  const choices = order.flatMap((place) => question.choices.filter((choice) => choice.place === place));
  const move = (choice: OfferedChoice, to: number) => {
    if (!isOpen || to < 0 || to >= order.length) return;
    onOrder(movedTo(order, choice.place, to));
    setMoved(say("at place", { letter: choice.letter, number: to + 1, count: order.length }));
  };
  const rowUnder = (y: number) => {
    const rows = [...(list.current?.children ?? [])].map((row) => row.getBoundingClientRect());
    return rows.findIndex(({ top, bottom }) => y >= top && y <= bottom);
  };
  return (
    <>
      {isOpen && <p className="mb-2 text-soft">{say("put in order")}</p>}
      <ol ref={list} aria-labelledby="prompt" className="grid gap-1.5">
        {choices.map((choice, at) => (
          <Row
            key={choice.place}
            choice={choice}
            isOpen={isOpen}
            isFirst={at === 0}
            isLast={at === choices.length - 1}
            mark={isOpen ? undefined : right[at] === choice.place ? "good" : taken}
            belongsAt={right.indexOf(choice.place) + 1}
            count={order.length}
            onMove={(by) => move(choice, at + by)}
            onDrag={(y) => {
              const to = rowUnder(y);
              if (to >= 0 && to !== at) move(choice, to);
            }}
          />
        ))}
      </ol>
      {isOpen && (
        <p role="status" className="sr-only">
          {moved}
        </p>
      )}
      {isOpen && (
        <p className="mt-2 text-end">
          <Button look="main" onClick={() => onAnswer(order)}>
            {say("this order")}
          </Button>
        </p>
      )}
    </>
  );
}

type RowProps = {
  choice: OfferedChoice;
  isOpen: boolean;
  isFirst: boolean;
  isLast: boolean;
  /** How its place was taken; undefined while the question is open. */
  mark: Taken | undefined;
  /** Where it belongs, from 1, once that is told; else 0. */
  belongsAt: number;
  count: number;
  onMove: (by: number) => void;
  /** Tells how far down the page it is dragged. */
  onDrag: (y: number) => void;
};

function Row({ choice, isOpen, isFirst, isLast, mark, belongsAt, count, onMove, onDrag }: RowProps) {
  const say = useSay();
  const [isHeld, setIsHeld] = useState(false);
  const { letter } = choice;
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onMove(by);
  };
  const hold = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    setIsHeld(true);
  };
  const Icon = mark && LOOKS[mark].icon;
  const look = mark ? LOOKS[mark].frame : isHeld ? "border-2 border-ink bg-tint" : "border-edge bg-card";
  return (
    <li className={`flex min-h-10 flex-wrap items-center gap-3 rounded-md border px-3 py-1 ${look}`}>
      {isOpen && (
        <span
          aria-hidden
          data-grip={letter}
          className="-ms-1 cursor-grab touch-none text-soft"
          onPointerDown={hold}
          onPointerMove={(event) => isHeld && onDrag(event.clientY)}
          onPointerUp={() => setIsHeld(false)}
          onPointerCancel={() => setIsHeld(false)}
        >
          <GripVertical className="size-5" />
        </span>
      )}
      <span className="w-6 shrink-0 border-e border-line pe-2 font-serif text-lg font-semibold">{letter}</span>
      <span dir="auto" className="min-w-24 flex-1 break-words whitespace-pre-line text-start">
        {choice.picture ? (
          <img src={mediaAt(choice.picture)} alt={say("picture choice", { letter })} draggable={false} className="max-h-28 max-w-full rounded-md bg-sheet" />
        ) : choice.sound ? (
          <SoundPlayer address={mediaAt(choice.sound)} name={say("sound choice", { letter })} />
        ) : (
          choice.text
        )}
      </span>
      {Icon && (
        <span className={`flex items-center gap-1 font-semibold ${LOOKS[mark].ink}`}>
          {mark !== "good" && belongsAt > 0 ? (
            <>
              <span aria-hidden className="tabular-nums">
                → {belongsAt}
              </span>
              <span className="sr-only">{say("at place", { letter, number: belongsAt, count })}</span>
            </>
          ) : (
            <Icon aria-hidden className="size-5" />
          )}
          {mark === "good" && <span className="sr-only">{say("as right")}</span>}
        </span>
      )}
      {isOpen && (
        <span className="flex gap-1" onKeyDown={onKey}>
          <Button look="quiet" aria-label={say("move up", { letter })} aria-disabled={isFirst} onClick={() => onMove(-1)} className="px-2 aria-disabled:opacity-40">
            <ArrowUp aria-hidden />
          </Button>
          <Button look="quiet" aria-label={say("move down", { letter })} aria-disabled={isLast} onClick={() => onMove(1)} className="px-2 aria-disabled:opacity-40">
            <ArrowDown aria-hidden />
          </Button>
        </span>
      )}
    </li>
  );
}
