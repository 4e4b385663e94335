import { CircleAlert, CircleCheck, Info } from "lucide-react";
import type { ReactNode } from "react";
import { detailsOf } from "../api/client";

const TONES = {
  wrong: { icon: CircleAlert, look: "bg-bad-pale border-bad" },
  good: { icon: CircleCheck, look: "bg-good-pale border-good" },
  plain: { icon: Info, look: "bg-note border-focus" },
};

type NoticeProps = { tone?: keyof typeof TONES; children: ReactNode };

/** Something the maker should know, told at once to those who listen to the page. */
export function Notice({ tone = "plain", children }: NoticeProps) {
  const { icon: Icon, look } = TONES[tone];
  return (
    <div
      role={tone === "wrong" ? "alert" : "status"}
      className={`flex gap-2.5 rounded-lg border-l-4 px-3 py-2 ${look}`}
    >
      <Icon className="mt-0.5 size-4.5 shrink-0" aria-hidden />
      <div className="min-w-0 flex-1">{children}</div>
    </div>
  );
}

function sentence(words: string): string {
  return words.slice(0, 1).toLocaleUpperCase() + words.slice(1);
}

/** An error from the server: what happened, where, and how to mend it. */
export function ErrorNotice({ error, children }: { error: unknown; children?: ReactNode }) {
  const details = detailsOf(error);
  return (
    <Notice tone="wrong">
      <p className="font-semibold">{details.detail}</p>
      {details.problems.length > 0 && (
        <ul className="mt-1 space-y-1">
          {details.problems.map((problem) => (
            <li key={problem.where + problem.what}>
              <span className="font-semibold">{sentence(problem.place)}:</span> {problem.what}. To mend it,{" "}
              {problem.mend}.
            </li>
          ))}
        </ul>
      )}
      {children}
    </Notice>
  );
}
