import { Check, Diff, Hourglass, SkipForward, X } from "lucide-react";
import { mediaAt } from "../api/home";
import type { Answered } from "../api/schema";
import { useSay, type Say } from "../table/translator";

type ReviewProps = { answered: Answered[]; players: string[] };

const MARKS = {
  good: { icon: Check, look: "text-good" },
  partly: { icon: Diff, look: "text-sky" },
  bad: { icon: X, look: "text-bad" },
  late: { icon: Hourglass, look: "text-bad" },
  passed: { icon: SkipForward, look: "text-soft" },
};

/** Every question of a run with what was answered, what is right, and the note. */
export function Review({ answered, players }: ReviewProps) {
  const say = useSay();
  if (answered.length === 0) return null;
  return (
    <section aria-labelledby="review" className="mt-6">
      <h2 id="review" className="text-2xl">
        {say("your answers")}
      </h2>
      <ol className="mt-2">
        {answered.map((one, place) => {
          const { icon: Icon, look } = MARKS[markOf(one.result)];
          return (
            // Answers have no identity but their place.
            <li key={place} className="flex gap-3 border-t border-line py-2">
              <Icon aria-hidden className={`mt-1 size-5 shrink-0 ${look}`} />
              <div className="min-w-0 flex-1">
                <p dir="auto" className="font-semibold break-words">{one.prompt}</p>
                <p className="break-words">
                  {players.length > 1 && `${players[one.player] ?? ""}: `}
                  <span className={`font-semibold ${look}`}>{wordsOf(one, say)}</span>
                </p>
                {one.right && markOf(one.result) !== "good" && <p className="break-words">{say("it is", { answer: one.right })}</p>}
                <Pictures pictures={one.pictures} />
                {one.note && <p dir="auto" className="text-soft">{one.note}</p>}
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** What was seen with a question: its picture, those picked and the right ones. */
function Pictures({ pictures }: { pictures: Answered["pictures"] }) {
  const say = useSay();
  const shown = [
    ...[pictures.question].map((digest) => ({ digest, of: say("picture of the question") })),
    ...pictures.given.map((digest) => ({ digest, of: say("your answer") })),
    ...pictures.right.filter((digest) => !pictures.given.includes(digest)).map((digest) => ({ digest, of: say("right answer") })),
  ].filter(({ digest }) => digest);
  if (shown.length === 0) return null;
  return (
    <ul className="my-1 flex flex-wrap gap-3">
      {shown.map(({ digest, of }) => (
        <li key={`${of} ${digest}`} className="text-sm text-soft">
          <img src={mediaAt(digest)} alt="" className="max-h-20 rounded-md border border-line bg-sheet" />
          {digest !== pictures.question && of}
        </li>
      ))}
    </ul>
  );
}

function markOf(result: string): keyof typeof MARKS {
  if (result === "right" || result === "close") return "good";
  return result === "partly" || result === "late" || result === "passed" ? result : "bad";
}

function wordsOf({ result, given, share }: Answered, say: Say): string {
  if (result === "late") return say("as late");
  if (result === "passed") return say("as passed");
  if (result === "partly") return `${given}: ${say("as partly", { share })}`;
  return `${given || say("no answer")}: ${say(result === "close" ? "as close" : result === "right" ? "as right" : "as wrong")}`;
}
