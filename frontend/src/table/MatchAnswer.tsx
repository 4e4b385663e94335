import { useRef, useState, type PointerEvent } from "react";
import { mediaAt } from "../api/home";
import type { OfferedChoice, QuestionShown } from "../api/schema";
import { Button } from "../ui/Button";
import { matchedAt, type Matching } from "./matching";
import { SoundPlayer } from "./SoundPlayer";
import { LOOKS, type Taken } from "./taken";
import { useSay } from "./translator";

type MatchAnswerProps = {
  question: QuestionShown;
  /** What is given to the items so far, or was given. */
  matching: Matching;
  isOpen: boolean;
  /** The place of each item's partner, once it is told. */
  right: number[];
  taken: Taken;
  onMatch: (matching: Matching) => void;
  onAnswer: (partners: number[]) => void;
};

/** Items that are each given a choice: picked one after the other, dragged, or typed by letters. */
export function MatchAnswer({ question, matching, isOpen, right, taken, onMatch, onAnswer }: MatchAnswerProps) {
  const say = useSay();
  const list = useRef<HTMLOListElement>(null);
  const [dragged, setDragged] = useState(0);
  // What is dropped on an item is pressed as well, which then means nothing more.
  const isDropped = useRef(false);
  const { partners, at } = matching;
  const choiceAt = (place: number) => question.choices.find((choice) => choice.place === place);
  const done = partners.filter((place) => place > 0).length;
  const give = (item: number, place: number) => onMatch(matchedAt(partners, item, place, question.repeats));
  const rowUnder = (y: number) => {
    const rows = [...(list.current?.children ?? [])].map((row) => row.getBoundingClientRect());
    return rows.findIndex(({ top, bottom }) => y >= top && y <= bottom);
  };
  const lookOf = (place: number) => {
    if (!isOpen) return "border-line bg-card text-soft";
    if (dragged === place) return "border-2 border-ink bg-tint";
    const isUsedUp = !question.repeats && partners.includes(place);
    return `cursor-grab bg-card hover:border-ink hover:bg-tint ${isUsedUp ? "border-dashed border-edge text-soft" : "border-edge"}`;
  };
  const last = [...partners.keys()].filter((item) => partners[item]);
  const told = last.map((item) => say("matched as", { item: question.items[item] ?? "", letter: choiceAt(partners[item] ?? 0)?.letter ?? "", count: done, total: partners.length }));
  return (
    <div>
      {isOpen && (
        <p className="mb-2 text-soft">
          {say("match them")} {question.repeats && say("match repeats")}
        </p>
      )}
      <ol ref={list} aria-labelledby="prompt" data-items className="grid gap-1.5">
        {question.items.map((item, number) => (
          <Item
            key={number}
            item={item}
            choice={choiceAt(partners[number] ?? 0)}
            isOpen={isOpen}
            isNext={isOpen && number === at}
            mark={isOpen ? undefined : right[number] === partners[number] ? "good" : taken}
            belongs={choiceAt(right[number] ?? 0)}
            onPick={() => onMatch({ partners, at: number })}
          />
        ))}
      </ol>
      <ul data-partners className="mt-3 flex flex-wrap gap-2">
        {question.choices.map((choice) => (
          <li key={choice.place} className="max-w-full">
            <button
              type="button"
              aria-disabled={!isOpen}
              onClick={() => {
                if (isOpen && !isDropped.current) give(at, choice.place);
                isDropped.current = false;
              }}
              onPointerDown={isOpen ? hold(setDragged, choice.place) : undefined}
              onPointerUp={(event) => {
                const item = dragged === choice.place ? rowUnder(event.clientY) : -1;
                setDragged(0);
                if (item < 0) return;
                isDropped.current = true;
                give(item, choice.place);
              }}
              onPointerCancel={() => setDragged(0)}
              className={`flex min-h-10 max-w-full touch-none items-center gap-3 rounded-md border px-3 py-1 text-start aria-disabled:cursor-default ${lookOf(choice.place)}`}
            >
              <Partner choice={choice} />
            </button>
            {choice.sound && <SoundPlayer address={mediaAt(choice.sound)} name={say("sound choice", { letter: choice.letter })} />}
          </li>
        ))}
      </ul>
      {isOpen && (
        <p role="status" className="sr-only">
          {told.join(". ")}
        </p>
      )}
      {isOpen && (
        <p className="mt-2 text-end">
          <Button look="main" disabled={done < partners.length} onClick={() => onAnswer(partners)}>
            {say("this match")}
          </Button>
        </p>
      )}
    </div>
  );
}

function hold(setDragged: (place: number) => void, place: number) {
  return (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    setDragged(place);
  };
}

type ItemProps = {
  item: string;
  choice: OfferedChoice | undefined;
  isOpen: boolean;
  /** Whether the next choice is for it. */
  isNext: boolean;
  /** How its choice was taken; undefined while the question is open. */
  mark: Taken | undefined;
  /** What belongs to it, once that is told. */
  belongs: OfferedChoice | undefined;
  onPick: () => void;
};

function Item({ item, choice, isOpen, isNext, mark, belongs, onPick }: ItemProps) {
  const say = useSay();
  const Icon = mark && LOOKS[mark].icon;
  const look = mark ? LOOKS[mark].frame : isNext ? "border-2 border-ink bg-tint" : "border-edge bg-card";
  return (
    <li>
      <button
        type="button"
        aria-disabled={!isOpen}
        aria-current={isNext ? "true" : undefined}
        onClick={isOpen ? onPick : undefined}
        className={`flex min-h-10 w-full flex-wrap items-center gap-3 rounded-md border px-3 py-1 text-start aria-disabled:cursor-default ${look}`}
      >
        <span dir="auto" className="min-w-24 flex-1 break-words text-start font-semibold">
          {item}
        </span>
        <span className="flex min-w-24 flex-1 items-center gap-3">{choice ? <Partner choice={choice} /> : <span className={isNext ? undefined : "text-soft"}>{say("not matched")}</span>}</span>
        {Icon && (
          <span className={`flex items-center gap-2 font-semibold ${LOOKS[mark].ink}`}>
            {mark !== "good" && belongs ? (
              <>
                <span aria-hidden>→ {belongs.letter}</span>
                <span className="sr-only">{`${say("right answer")} ${belongs.letter}`}</span>
              </>
            ) : (
              <Icon aria-hidden className="size-5" />
            )}
            {mark === "good" && <span className="sr-only">{say("as right")}</span>}
          </span>
        )}
      </button>
    </li>
  );
}

function Partner({ choice }: { choice: OfferedChoice }) {
  const say = useSay();
  const { letter } = choice;
  return (
    <>
      <span className="w-6 shrink-0 border-e border-line pe-2 font-serif text-lg font-semibold">{letter}</span>
      <span dir="auto" className="min-w-0 break-words text-start">
        {choice.picture ? (
          <img src={mediaAt(choice.picture)} alt={say("picture choice", { letter })} draggable={false} className="max-h-20 max-w-full rounded-md bg-sheet" />
        ) : choice.sound ? (
          say("sound choice", { letter })
        ) : (
          choice.text
        )}
      </span>
    </>
  );
}
