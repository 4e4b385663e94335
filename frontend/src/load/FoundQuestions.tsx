import type { Question } from "../api/schema";
import { rightInWords } from "../app/rightInWords";

type FoundQuestionsProps = { questions: Question[]; count: number };

/** The first questions the file gives, each as a maker checks it: prompt, right, wrong. */
export function FoundQuestions({ questions, count }: FoundQuestionsProps) {
  return (
    <section aria-labelledby="found" className="min-h-0 flex-1 overflow-auto rounded-xl border border-line bg-card p-4">
      <h2 id="found" className="text-lg">
        The first questions
      </h2>
      <ol className="divide-y divide-line">
        {questions.slice(0, 12).map((question, index) => (
          <li key={index} className="py-1.5">
            <p className="font-semibold break-words">{question.prompt}</p>
            <p className="break-words">
              <b className="mr-2 text-moss">✓ {rightInWords(question)}</b>
              <span className="text-soft">{question.wrong.join(" · ")}</span>
            </p>
            {question.kind !== "choice" && <p className="text-sm text-soft">{question.kind}</p>}
          </li>
        ))}
      </ol>
      {count > 12 && <p className="pt-1 text-soft">and {count - 12} more</p>}
    </section>
  );
}
