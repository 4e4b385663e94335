import { CornerDownLeft, Eye, Flag, Lightbulb, SkipForward } from "lucide-react";
import { useRef, useState } from "react";
import type { Action } from "../api/runs";
import type { Look, QuestionShown, Table } from "../api/schema";
import { Button } from "../ui/Button";
import { FeedbackLine } from "./FeedbackLine";
import { EstimateAnswer } from "./EstimateAnswer";
import { GapsAnswer } from "./GapsAnswer";
import { MatchAnswer } from "./MatchAnswer";
import type { Matching } from "./matching";
import { OrderAnswer } from "./OrderAnswer";
import { PlaceAnswer } from "./PlaceAnswer";
import { QuestionMedia } from "./QuestionMedia";
import { ChoiceButton } from "./Choice";
import { Status } from "./Status";
import { isHidden, isTypedAlone } from "./typed";
import { Word } from "./Word";
import { takenAs } from "./taken";
import { useSay, type Say } from "./translator";

type AskingProps = {
  table: Table;
  look: Look;
  question: QuestionShown;
  elapsed: number;
  /** Whether it shows how the run now stands. */
  isNow?: boolean;
  /** Set while the answer picked has a mark over it, another each time. */
  markStamp?: number | undefined;
  /** The choices picked so far, where several are wanted together. */
  picked?: number[];
  onPick?: (place: number) => void;
  /** Takes choices in another order, where they are to be put in one. */
  onOrder?: (order: number[]) => void;
  /** What is given to the items of a match so far. */
  matching?: Matching | undefined;
  onMatch?: (matching: Matching) => void;
  onAction: (action: Action) => void;
};

/** A question as its kind wants it, and after the answer what came of it. */
export function Asking({ table, look, question, elapsed, isNow = true, markStamp, picked = [], onPick, onOrder, matching, onMatch, onAction }: AskingProps) {
  const say = useSay();
  const isOpen = table.phase === "asking";
  const feedback = table.feedback;
  const answer = (value: number | number[] | string) => onAction({ action: "answer", value });
  const isBeside = look.picture_at === "beside" && question.picture !== "" && hasPicks(question) && question.kind !== "place";
  const given = (place: number) => feedback?.given_places.includes(place) ?? false;
  const picks = hasPicks(question) && (
    <ul aria-labelledby="prompt" className={choicesLook(look, question)}>
      {question.choices.map((choice) => (
        <li key={choice.place}>
          <ChoiceButton
            choice={choice}
            isOpen={isOpen}
            isRight={feedback?.right_places.includes(choice.place) ?? false}
            isPicked={question.wants_all && isOpen ? picked.includes(choice.place) : undefined}
            isGiven={given(choice.place) && feedback?.result !== "unreadable"}
            taken={takenAs(feedback)}
            markStamp={given(choice.place) ? markStamp : undefined}
            isLarge={look.choices === "pictures"}
            onPick={() => onPick?.(choice.place)}
          />
        </li>
      ))}
    </ul>
  );
  return (
    <>
      <Status table={table} elapsed={elapsed} />
      <h2
        id="prompt"
        dir="auto"
        tabIndex={-1}
        data-next={isOpen && !isTypedAlone(table, question) ? true : undefined}
        className="mt-2.5 mb-3 text-2xl text-pretty break-words whitespace-pre-line"
      >
        {question.gaps ? say("fill gaps") : question.prompt}
      </h2>
      <div className="@container">
        <div className={isBeside ? "grid gap-4 @lg:grid-cols-2" : undefined}>
          <QuestionMedia
            picture={question.kind === "place" ? "" : question.picture}
            sound={question.sound}
            isNow={isNow && isOpen}
            put={question.in_run}
            onBegun={isNow && table.lead > 0 ? () => onAction({ action: "listen" }) : undefined}
          />
          {question.kind === "order" && (
            <OrderAnswer
              question={question}
              order={orderShown(table, question, picked)}
              isOpen={isOpen}
              right={feedback?.right_places ?? []}
              taken={takenAs(feedback)}
              onOrder={(order) => onOrder?.(order)}
              onAnswer={answer}
            />
          )}
          {question.scale && (
            <EstimateAnswer
              scale={question.scale}
              isOpen={isOpen}
              feedback={feedback}
              point={picked[0] === undefined ? undefined : picked[0] - 1}
              onPoint={(point) => onOrder?.([point + 1])}
              onAnswer={answer}
            />
          )}
          {question.gaps && (
            <GapsAnswer key={question.in_run} gaps={question.gaps} isOpen={isOpen} feedback={feedback} isNext={isOpen} onAnswer={answer} />
          )}
          {question.kind === "match" && (
            <MatchAnswer
              question={question}
              matching={matchShown(table, question, matching)}
              isOpen={isOpen}
              right={feedback?.right_places ?? []}
              taken={takenAs(feedback)}
              onMatch={(given) => onMatch?.(given)}
              onAnswer={answer}
            />
          )}
          {question.kind === "judged" && question.answer && (
            <div role="status" className="mb-2 rounded-md border border-edge bg-note px-4 py-3">
              <p dir="auto" className="text-lg font-semibold whitespace-pre-line">
                {question.answer}
              </p>
              <p className="mt-1">{say("did you have it")}</p>
            </div>
          )}
          {question.kind === "place" ? (
            <PlaceAnswer key={question.in_run} question={question} isOpen={isOpen} feedback={feedback} isNamed={picked.length > 0} onAnswer={answer}>
              {picks}
            </PlaceAnswer>
          ) : (
            picks
          )}
        </div>
      </div>
      {question.wants_all && isOpen && (question.kind !== "place" || picked.length > 0) && (
        <div className="mt-2 flex flex-wrap items-center justify-between gap-2">
          <span className="text-soft">{say("pick all")}</span>
          <Button look="main" disabled={picked.length === 0} onClick={() => answer(picked)}>
            {say("answer with", { count: picked.length })}
          </Button>
        </div>
      )}
      {question.kind === "letters" && (
        <Word question={question} isOpen={isOpen} onLetter={(char) => onAction({ action: "letter", char })} />
      )}
      {isOpen && isHidden(question) && (
        <p className="mt-2">
          <Button look="main" onClick={() => onAction({ action: "show" })}>
            <Eye aria-hidden /> {say("show answer")}
          </Button>
        </p>
      )}
      {isOpen && table.typing && !question.gaps && !isHidden(question) && <TypedAnswer label={say(labelFor(question))} isNext={isTypedAlone(table, question)} onAnswer={answer} />}
      {table.may_finish && (
        <p className="order-last mt-3">
          <Button onClick={() => onAction({ action: "finish" })}>
            <Flag aria-hidden /> {say("stop here")}
          </Button>
        </p>
      )}
      {isOpen && (question.may_hint || question.may_pass || question.hint) && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {question.may_hint && (
            <Button onClick={() => onAction({ action: "hint" })}>
              <Lightbulb aria-hidden /> {say("hint")}
            </Button>
          )}
          {question.may_pass && (
            <Button onClick={() => onAction({ action: "pass" })}>
              <SkipForward aria-hidden className="rtl:-scale-x-100" /> {say("pass")}
            </Button>
          )}
          {question.hint && <p dir="auto" className="min-w-0 flex-1">{say("hint is", { hint: question.hint })}</p>}
        </div>
      )}
      {isOpen && (feedback?.result === "wrong" || feedback?.result === "partly") && question.tries_left !== null && (
        <p className="mt-2 text-soft">{say("tries left", { count: question.tries_left })}</p>
      )}
      <FeedbackLine table={table} feedback={feedback} onContinue={() => onAction({ action: "continue" })} />
    </>
  );
}

/** Whether choices are offered as buttons of their own: of an answer to be judged, once it is seen. */
function hasPicks(question: QuestionShown): boolean {
  return question.choices.length > 0 && question.kind !== "order" && question.kind !== "match" && !isHidden(question);
}

/** The order in which choices lie: as they are put, as they were given, or as they came. */
function orderShown({ phase, feedback }: Table, { choices }: QuestionShown, put: number[]): number[] {
  const given = feedback?.given_places ?? [];
  if (phase !== "asking" && given.length > 0) return given;
  if (phase === "asking" && put.length > 0) return put;
  return given.length > 0 ? given : choices.map(({ place }) => place);
}

/** What the items of a match have: as it is given now, as it was given last, or nothing yet. */
export function matchShown({ phase, feedback }: Table, { items }: QuestionShown, matching: Matching | undefined): Matching {
  const given = feedback?.given_places ?? [];
  if (phase === "asking" && matching) return matching;
  return { partners: given.length === items.length ? given : items.map(() => 0), at: 0 };
}

/** How the choices stand: two abreast only where there is room for it. */
function choicesLook(look: Look, { choices }: QuestionShown): string {
  if (look.choices === "rows" || choices.some((choice) => choice.sound)) return "grid gap-1.5";
  return "grid grid-cols-[repeat(auto-fit,minmax(min(100%,11rem),1fr))] gap-2 *:grid";
}

function labelFor(question: QuestionShown): Parameters<Say>[0] {
  if (question.choices.length > 0 || question.scale) return "or type";
  return question.kind === "letters" ? "or say" : "type answer";
}

type TypedAnswerProps = { label: string; isNext: boolean; onAnswer: (value: string) => void };

function TypedAnswer({ label, isNext, onAnswer }: TypedAnswerProps) {
  const say = useSay();
  const field = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState("");
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onAnswer(typed);
        setTyped("");
        field.current?.focus({ preventScroll: true });
      }}
    >
      <input
        ref={field}
        data-typed
        data-next={isNext ? true : undefined}
        aria-label={label}
        placeholder={label}
        value={typed}
        maxLength={500}
        autoComplete="off"
        onChange={(event) => setTyped(event.target.value)}
        className="min-h-9 min-w-0 flex-1 rounded-md border border-dashed border-edge bg-card px-3 placeholder:text-soft"
      />
      <Button type="submit">
        <CornerDownLeft aria-hidden className="rtl:-scale-x-100" /> {say("answer")}
      </Button>
    </form>
  );
}
