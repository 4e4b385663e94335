import type { Pattern, PatternLook } from "../../../api/schema";
import { counted } from "../../../app/format";

type PatternQuestionsProps = { look: PatternLook; pattern: Pattern; media: Record<string, string> };

/** What stands between several right answers. */
const BETWEEN: Partial<Record<Pattern["made"], string>> = { order: "then ", match: "and ", gaps: ", " };

/** Some questions that come of a pattern, right answers first, and how many there are. */
export function PatternQuestions({ look, pattern, media }: PatternQuestionsProps) {
  const areFiles = (pattern.made === "choice" || pattern.made === "order") && pattern.shows !== "text";
  const answer = (text: string) => (areFiles ? <Medium name={text} shows={pattern.shows} digest={media[text]} /> : text);
  return (
    <section aria-label="What comes of it" className="rounded-lg bg-paper px-3 py-2">
      <p>
        <b>{counted(look.question_count, "question")}</b>
        {look.left_out > 0 && `, ${counted(look.left_out, "row")} left out`}
        {look.idle_count > 0 && `, none from ${counted(look.idle_count, "row")}`}
        {look.questions.length > 0 && "; by these dice for instance:"}
      </p>
      <ol>
        {look.questions.map((question) => (
          <li key={question.row} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1">
            <span className="font-semibold">{question.prompt}</span>
            {question.picture && <Medium name={question.picture} shows="picture" digest={media[question.picture]} />}
            {question.sound && <span className="text-soft">♪ {question.sound}</span>}
            <span className="flex flex-wrap items-center gap-x-2">
              <b className="flex items-center gap-1 text-moss">
                ✓ {question.right.map((text, at) => <span key={at}>{at > 0 && (BETWEEN[pattern.made] ?? "or ")}{answer(text)}</span>)}
              </b>
              {question.wrong.map((text, at) => (
                <span key={at} className="flex items-center text-soft">
                  · {answer(text)}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

type MediumProps = { name: string; shows: Pattern["shows"]; digest: string | undefined };

function Medium({ name, shows, digest }: MediumProps) {
  if (digest === undefined) return <span>{name} (no such file)</span>;
  if (shows === "sound") return <span>♪ {name}</span>;
  return <img src={`/api/media/${digest}`} alt={name} className="inline-block h-8 rounded border border-line bg-card" />;
}
