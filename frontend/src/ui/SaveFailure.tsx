import { detailsOf } from "../api/client";
import { Button } from "./Button";
import { ErrorNotice } from "./Notice";

const CHANGED_ELSEWHERE = 412;

type SaveFailureProps = { error: unknown; onRetry: () => void; onDiscard?: () => void };

/** Why the last edits are not saved. They stay on screen until they are. */
export function SaveFailure({ error, onRetry, onDiscard }: SaveFailureProps) {
  const isStale = onDiscard !== undefined && detailsOf(error).status === CHANGED_ELSEWHERE;
  return (
    <div className="px-4 pt-2">
      <ErrorNotice error={error}>
        <Button className="mt-2" onClick={isStale ? onDiscard : onRetry}>
          {isStale ? "Show the newest, without my edit" : "Save again"}
        </Button>
      </ErrorNotice>
    </div>
  );
}
