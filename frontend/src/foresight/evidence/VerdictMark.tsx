import { Check, CircleAlert, CircleHelp, TriangleAlert, type LucideIcon } from "lucide-react";
import type { Says } from "../../api/schema";

type Mark = { icon: LucideIcon; look: string };

const WATCH: Mark = { icon: TriangleAlert, look: "text-ink" };
const WRONG: Mark = { icon: CircleAlert, look: "font-semibold text-clay-dark" };

const MARKS: Record<Says, Mark> = {
  "too few to say": { icon: CircleHelp, look: "text-soft" },
  fine: { icon: Check, look: "text-moss" },
  "too easy": WATCH,
  "too hard": WATCH,
  "too hard, or keyed wrong: these runs cannot tell": WATCH,
  misleading: WRONG,
  "probably keyed wrong": WRONG,
  "time is never enough": WRONG,
};

/** What the answers to a question say of it, in a word with a mark. */
export function VerdictMark({ says }: { says: Says }) {
  const { icon: Icon, look } = MARKS[says];
  return (
    <span className={`inline-flex items-center gap-1 ${look}`}>
      <Icon aria-hidden className="size-4" /> {says}
    </span>
  );
}
