import { Link } from "react-router";
import { VALUES } from "../api/parts";
import type { LoadView } from "../api/schema";
import { Die } from "../ui/Die";

/** Which file it is, and whether it is being looked at. */
export function LoadHeader({ load, isBusy }: { load: LoadView; isBusy: boolean }) {
  const format = VALUES.Format.find(({ value }) => value === load.plan.format)?.label ?? "";
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-x-4 border-b border-line bg-card px-4 py-1.5">
      <Link to="/" aria-label="Back to the shelf" className="rounded-md">
        <Die className="size-8" />
      </Link>
      <h1 className="text-2xl">{load.file_name}</h1>
      <p role="status" className="text-soft">
        {isBusy ? "Reading…" : `It holds ${format}.`}
        {!isBusy && load.blank_lines > 0 && ` Blank lines passed over: ${load.blank_lines}.`}
      </p>
    </header>
  );
}
