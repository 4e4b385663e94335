import { Link } from "react-router";
import { usePack } from "../api/packs";
import type { PackView } from "../api/schema";
import { rightInWords } from "../app/rightInWords";
import { counted } from "../app/format";
import { ErrorNotice, Notice } from "../ui/Notice";
import { RefusedRows } from "./RefusedRows";
import { SavePack } from "./SavePack";

/** How a pack's file was read, what was refused, and the questions that came of it. */
export function PackReport({ packId }: { packId: string }) {
  const pack = usePack(packId);
  if (pack.error) return <ErrorNotice error={pack.error} />;
  if (!pack.data) return <p>Opening the pack…</p>;
  const { source, questions, question_count } = pack.data;
  return (
    <div className="space-y-4">
      <Notice tone={source.refused.length ? "plain" : "good"}>{readingInWords(pack.data)}</Notice>
      <Link to={`/pack/${packId}`} className="font-semibold text-sky underline">
        Edit these questions
      </Link>
      <SavePack packId={packId} />
      {source.refused.length > 0 && <RefusedRows rows={source.refused} />}
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-left">
          <caption className="sr-only">Questions of {pack.data.title}</caption>
          <thead>
            <tr className="border-b border-edge">
              <th scope="col" className="py-1 pr-3 text-right">
                No.
              </th>
              <th scope="col" className="py-1 pr-3">
                Question
              </th>
              <th scope="col" className="py-1 pr-3">
                Right answer
              </th>
              <th scope="col" className="py-1">
                Wrong choices
              </th>
            </tr>
          </thead>
          <tbody>
            {questions.map((question, index) => (
              // The list is only read, and a prompt may come twice.
              <tr key={index} className="border-b border-line align-top">
                <td className="py-1 pr-3 text-right text-soft tabular-nums">{index + 1}</td>
                <td className="py-1 pr-3">{question.prompt}</td>
                <td className="py-1 pr-3 font-semibold">{rightInWords(question)}</td>
                <td className="py-1 text-soft">{question.wrong.join(" · ")}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {question_count > questions.length && <p className="mt-1">and {question_count - questions.length} more</p>}
      </div>
    </div>
  );
}

function readingInWords({ source, question_count }: PackView): string {
  const header = source.headings
    ? `Its first row (“${source.headings.join("”, “")}”) was read as headings.`
    : "It has no row of headings.";
  const blank = source.blank_lines > 0 ? ` ${counted(source.blank_lines, "blank line")} passed over.` : "";
  return `${counted(question_count, "question")} from ${source.file_name} (${source.read_as}). ${header}${blank}`;
}
