import { useEffect, useRef, useState } from "react";
import type { Action } from "../api/runs";
import type { Language, Look, Table as TableShown } from "../api/schema";
import { useShortcuts } from "../app/shortcuts";
import { Asking, matchShown } from "./Asking";
import { Ended } from "./Ended";
import { Effects, moodOf } from "./effects/Effects";
import { Opening } from "./Opening";
import { matchedNext, type Matching } from "./matching";
import { typedNext } from "./ordering";
import { prefer, preferences } from "./preferences";
import { ReadOut } from "./ReadOut";
import { useCues, useSeen, useTicks } from "./useCues";
import { useMusic } from "./useMusic";
import { isHidden, isTypedAlone, isTypingAsked } from "./typed";
import { useWording } from "./translator";

type TableProps = {
  table: TableShown;
  /** What the game looks like. */
  look: Look;
  /** Whether its music is to be heard. */
  hasMusic?: boolean;
  /** Changes when another run is laid on the table. */
  runId: string;
  /** Whether the server is still asked about what was done last. */
  isBusy?: boolean;
  /** Whether it shows how the run now stands, and not a step gone back to. */
  isNow?: boolean;
  /** Milliseconds since the table was laid, as its countdowns see it. */
  elapsed: number;
  /** Whether to show the question large, on a page of its own. */
  isAlone?: boolean;
  /** The names of the sounds it can play, and where they are found. */
  sounds: string[];
  soundsAt: string;
  /** Has the server read something out; nothing if it has no voice. */
  voice: (text: string, language: Language) => Promise<ArrayBuffer | undefined>;
  onAction: (action: Action) => void;
  onAgain: () => void;
};

const SHAKES_MS = 420;

/** What is picked of a question and not sent yet: choices wanted together, or all in the order they are put in. */
type Picked = {
  question: number | null;
  places: number[];
  /** How many of an order its player has typed. */
  typed: number;
  /** What the items of a match are given so far. */
  matching?: Matching;
};

/** Turns music off and on again: no letter, for those answer. */
const MUSIC_KEY = "/";

/** The game as the player has it. It shows what the server says and decides nothing. */
export function Table(props: TableProps) {
  const { table, look, hasMusic = false, runId, isNow = true, isBusy = false, elapsed, isAlone = false, sounds, soundsAt, onAction, onAgain } = props;
  const frame = useRef<HTMLDivElement>(null);
  const seen = useSeen(useCues(table, runId, isNow, sounds, soundsAt));
  const ticks = useTicks(table, elapsed, soundsAt);
  const { letters } = useWording();
  const music = useMusic(look, table.phase, soundsAt, hasMusic);
  const isMarked = seen.cues.some((cue) => cue.effect === "mark") && (table.feedback?.given_places.length ?? 0) > 0;
  const question = table.question?.in_run ?? null;
  const [picked, setPicked] = useState<Picked>({ question, places: [], typed: 0 });
  const places = picked.question === question ? picked.places : [];
  const typed = picked.question === question ? picked.typed : 0;
  const act = (action: Action) => isNow && onAction(meantFor(action, question));
  const matching = picked.question === question ? picked.matching : undefined;
  const match = (given: Matching) =>
    setPicked({ question, places: given.partners.includes(0) ? [] : given.partners, typed: 0, matching: given });
  const pick = (place: number) => {
    if (table.question?.kind === "match") {
      match(matchedNext(matchShown(table, table.question, matching), place, table.question.repeats));
    } else if (table.question?.kind === "order") {
      const lying = places.length > 0 ? places : table.question.choices.map((choice) => choice.place);
      const next = typedNext(lying, typed, place);
      setPicked({ question, places: next.order, typed: next.typed });
    } else if (!table.question?.wants_all) act({ action: "answer", value: place });
    else setPicked({ question, places: places.includes(place) ? places.filter((other) => other !== place) : [...places, place], typed: 0 });
  };
  const first = table.menu.find((round) => !round.is_played);
  const goOn = {
    opening: table.menu.length === 1 || !first ? () => act({ action: "begin" }) : undefined,
    // Pressed before the feedback is there: it is sent after the answer.
    asking: isBusy
      ? () => act({ action: "continue" })
      : places.length > 0
        ? () => act({ action: "answer", value: table.question?.scale ? (places[0] ?? 0) : places })
        : table.question && isHidden(table.question)
          ? () => act({ action: "show" })
          : undefined,
    holding: table.hold === null ? () => act({ action: "continue" }) : undefined,
    ended: onAgain,
  }[table.phase];
  const isTyping = table.phase === "asking" && table.question !== null && isTypedAlone(table, table.question);
  useShortcuts(isTypingAsked(table) ? {} : { [MUSIC_KEY]: () => prefer({ isMusicOff: !preferences().isMusicOff }) });
  useShortcuts({ Enter: goOn, ...(table.phase === "asking" ? keysFor(table, letters, act, pick) : {}) });

  // Focus follows the question, but is never taken from somebody busy elsewhere.
  const step = `${runId} ${table.phase} ${table.round} ${table.question?.number ?? 0}`;
  const stepBefore = useRef(isAlone && isTyping ? "" : step);
  useEffect(() => {
    if (stepBefore.current === step) return;
    stepBefore.current = step;
    const active = document.activeElement;
    if (active !== document.body && !frame.current?.contains(active)) return;
    const next = frame.current?.querySelector<HTMLElement>("[data-next]");
    next?.focus({ preventScroll: true });
    next?.scrollIntoView({ block: "nearest" });
  }, [step]);

  // A character that is pressed beside the field of a typed answer goes into it.
  useEffect(() => {
    if (!isTyping || !isNow) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.key.length > 1 || event.key === " ") return;
      const active = document.activeElement;
      if (active !== document.body && active?.id !== "prompt") return;
      frame.current?.querySelector<HTMLInputElement>("[data-typed]")?.focus({ preventScroll: true });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [isTyping, isNow]);

  const { stamp } = seen;
  const isShaken = seen.cues.some((cue) => cue.effect === "shake");
  useEffect(() => {
    if (!isShaken || window.matchMedia("(prefers-reduced-motion: reduce)").matches) return;
    frame.current?.animate({ translate: ["0", "-9px", "8px", "-6px", "4px", "0"] }, SHAKES_MS);
  }, [isShaken, stamp]);

  return (
    <div ref={frame} data-music={music} className={`relative flex flex-1 flex-col ${isAlone ? "text-lg [&_li>button]:min-h-12" : ""}`}>
      {table.narration && (
        <ReadOut
          key={`${runId} ${table.round} ${table.question?.number ?? 0}`}
          narration={table.narration}
          soundsAt={soundsAt}
          voice={props.voice}
        />
      )}
      <Effects played={seen} mood={moodOf(table)} score={table.score} isMarked={isMarked} />
      <Effects played={ticks} mood="startled" score={table.score} />
      {table.phase === "opening" && <Opening table={table} picture={look.opening_picture} onAction={act} />}
      {table.question && (
        <Asking
          key={`${table.round} ${table.question.number}`}
          table={table}
          look={look}
          question={table.question}
          elapsed={elapsed}
          isNow={isNow}
          markStamp={isMarked ? seen.stamp : undefined}
          picked={places}
          onPick={pick}
          onOrder={(order) => setPicked({ question, places: order, typed: 0 })}
          matching={matching}
          onMatch={match}
          onAction={act}
        />
      )}
      {table.ending && <Ended table={table} ending={table.ending} onAgain={onAgain} />}
    </div>
  );
}

/** The action, saying which question it is meant for: it is never taken for another. */
function meantFor(action: Action, question: number | null): Action {
  if (action.action === "begin" || action.action === "wait" || action.action === "quit" || action.action === "finish") return action;
  return { ...action, question };
}

/** The keys that answer: letters and digits of choices, or the letters of a word. */
function keysFor(
  table: TableShown,
  letters: string[],
  act: (action: Action) => void,
  pick: (place: number) => void,
): Record<string, () => void> {
  const question = table.question;
  // What letters mean is not to be seen before the names of places are opened.
  if (!question || isHidden(question) || question.kind === "place") return {};
  if (question.kind === "letters") {
    return Object.fromEntries(
      Array.from(`${letters.join("").toUpperCase()}0123456789`, (char) => [char, () => act({ action: "letter", char })]),
    );
  }
  return Object.fromEntries(
    question.choices.flatMap((choice) => {
      const choose = () => pick(choice.place);
      return [
        [choice.letter, choose],
        [String(choice.place), choose],
      ];
    }),
  );
}
