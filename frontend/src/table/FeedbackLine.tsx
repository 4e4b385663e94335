import { ArrowRight } from "lucide-react";
import type { Feedback, Table } from "../api/schema";
import { Button } from "../ui/Button";

const HEADLINES: Record<Feedback["result"], string> = {
  right: "Right.",
  close: "Close enough.",
  wrong: "Not this time.",
  late: "Too late.",
  passed: "Passed.",
  hit: "Yes.",
  miss: "No.",
  unreadable: "",
};

type FeedbackLineProps = { table: Table; feedback: Feedback | null; onContinue: () => void };

/** What came of the last answer, and the way on. */
export function FeedbackLine({ table, feedback, onContinue }: FeedbackLineProps) {
  const isOpen = table.phase === "asking";
  return (
    <div role="status" className="mt-3 space-y-2">
      {table.told.map((words, place) => (
        <p key={place} className="font-serif text-xl font-semibold">
          {words}
        </p>
      ))}
      {isOpen && feedback?.result === "unreadable" && (
        <p className="rounded-lg bg-tint px-3 py-2">
          That could not be read: {feedback.why}. It costs nothing; answer again.
        </p>
      )}
      {isOpen && feedback && feedback.result !== "unreadable" && (
        <p className="rounded-lg bg-tint px-3 py-2">
          <b>{HEADLINES[feedback.result]}</b> {feedback.why}
          {feedback.answer && `; it is ${feedback.answer}`}.
        </p>
      )}
      {!isOpen && feedback && (
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p className="text-lg">
            <b className="font-serif text-2xl">{HEADLINES[feedback.result]}</b>{" "}
            {feedback.answer && feedback.result !== "right" && `It is ${feedback.answer}.`}
          </p>
          {table.hold === null && (
            <Button look="main" data-next onClick={onContinue}>
              Go on <ArrowRight aria-hidden />
            </Button>
          )}
          {feedback.note && <p className="basis-full text-soft">{feedback.note}</p>}
        </div>
      )}
    </div>
  );
}
