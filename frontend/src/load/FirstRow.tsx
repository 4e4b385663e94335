import { TriangleAlert } from "lucide-react";
import type { Plan } from "../api/schema";
import { Button } from "../ui/Button";

type FirstRowProps = { plan: Plan; row: string[]; onSay: (hasHeadings: boolean) => void };

/** What the first row was taken for, and why; one click takes it for the other. */
export function FirstRow({ plan, row, onSay }: FirstRowProps) {
  const thing = plan.contents === "facts" ? "a row of facts" : "a question";
  const words = plan.has_headings ? "The first row names the columns." : `The first row is ${thing}.`;
  return (
    <section
      aria-label="The first row"
      className={`flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border p-4 ${plan.is_doubtful ? "border-2 border-sun bg-sun-pale" : "border-line bg-card"}`}
    >
      {plan.is_doubtful && <TriangleAlert aria-hidden className="size-6 shrink-0" />}
      <div className="min-w-0 flex-1">
        <p>
          {plan.is_doubtful && <b>This is doubtful. </b>}
          {plan.why || words}
        </p>
        <p className="truncate text-soft italic">{row.filter(Boolean).join(" · ")}</p>
      </div>
      <Button onClick={() => onSay(!plan.has_headings)}>
        {plan.has_headings ? `It is ${thing}` : "It names the columns"}
      </Button>
    </section>
  );
}
