import type { StudyView } from "../api/schema";
import { Button } from "../ui/Button";
import { Notice } from "../ui/Notice";

type ProgressProps = { of: StudyView; thing: string; onGiveUp: () => void };

/** How far a study is, and the way to let it be. */
export function Progress({ of, thing, onGiveUp }: ProgressProps) {
  if (of.failure) return <Notice tone="wrong">{of.failure}</Notice>;
  const words = `${of.done.toLocaleString("en")} of ${of.total.toLocaleString("en")} ${thing}`;
  if (of.is_over) return of.done < of.total ? <p role="status">Given up after {words}.</p> : null;
  return (
    <p className="mt-2 flex items-center gap-3">
      <progress aria-label={thing} value={of.done} max={of.total} className="h-2 w-64 accent-moss" />
      <span role="status" className="tabular-nums">
        {words}
      </span>
      <Button onClick={onGiveUp}>Give up</Button>
    </p>
  );
}
