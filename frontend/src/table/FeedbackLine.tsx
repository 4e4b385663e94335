import { ArrowRight } from "lucide-react";
import type { Feedback, Table } from "../api/schema";
import { Button } from "../ui/Button";
import { useSay } from "./translator";

const HEADLINES = {
  right: "right",
  close: "close",
  partly: "partly right",
  wrong: "wrong",
  late: "late",
  passed: "was passed",
  hit: "hit",
  miss: "miss",
} as const;

type FeedbackLineProps = { table: Table; feedback: Feedback | null; onContinue: () => void };

/** What came of the last answer, and the way on. */
export function FeedbackLine({ table, feedback, onContinue }: FeedbackLineProps) {
  const say = useSay();
  const isOpen = table.phase === "asking";
  const headline = feedback && feedback.result !== "unreadable" ? say(HEADLINES[feedback.result]) : "";
  const itIs = feedback?.answer ? say("it is", { answer: feedback.answer }) : "";
  return (
    <div role="status" className="mt-3 space-y-2">
      {table.told.map((words, place) => (
        <p key={place} dir="auto" className="font-serif text-xl font-semibold">
          {words}
        </p>
      ))}
      {isOpen && feedback?.result === "unreadable" && (
        <p className="rounded-lg bg-note px-3 py-2">
          {say("unreadable", { why: feedback.why })}
        </p>
      )}
      {isOpen && feedback && feedback.result !== "unreadable" && (!feedback.is_own || feedback.says) && (
        <p className="rounded-lg bg-note px-3 py-2">
          {!feedback.is_own && (
            <>
              <b>{headline}</b> {feedback.why}. {itIs}
            </>
          )}
          {feedback.says && (
            <span dir="auto" className="block">
              {feedback.says}
            </span>
          )}
        </p>
      )}
      {!isOpen && feedback && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          {!feedback.is_own && (
            <p className="text-lg">
              <b className="font-serif text-2xl">{headline}</b>{" "}
              {feedback.result === "partly" && `${say("as partly", { share: feedback.share })}. `}
              {feedback.result !== "right" && itIs}
            </p>
          )}
          {table.hold === null && (
            <Button look="main" data-next className="ms-auto" onClick={onContinue}>
              {say("go on")} <ArrowRight aria-hidden className="rtl:-scale-x-100" />
            </Button>
          )}
          {feedback.says && (
            <p dir="auto" className="basis-full text-lg">
              {feedback.says}
            </p>
          )}
          {feedback.note && <p dir="auto" className="basis-full text-soft">{feedback.note}</p>}
        </div>
      )}
    </div>
  );
}
