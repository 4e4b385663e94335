import { Button } from "../ui/Button";
import { ErrorNotice, Notice } from "../ui/Notice";
import type { Take } from "./useTake";

/** How far the loading is, with the means to stop it, or why it failed. */
export function Taking({ take }: { take: Take }) {
  const { progress, error, isTaking } = take;
  if (error !== undefined && !isTaking) return <ErrorNotice error={error} />;
  if (progress?.problem) {
    return (
      <Notice tone="wrong">
        <b>{progress.problem.where}:</b> {progress.problem.what}. To mend it, {progress.problem.mend}.
      </Notice>
    );
  }
  if (!isTaking || !progress) return null;
  return (
    <div className="space-y-2">
      <label className="block">
        {progress.stage === "writing" ? "Writing the pack…" : `Read ${progress.rows_read} rows…`}
        <progress className="block w-full accent-moss" max={progress.rows_expected} value={progress.rows_read} />
      </label>
      <Button onClick={take.stop}>Stop</Button>
    </div>
  );
}
