import { Link } from "react-router";
import { useBehind, type Choice, type Counted } from "../../api/evidence";
import { ago, counted as countOf } from "../../app/format";
import { Button } from "../../ui/Button";
import { ErrorNotice } from "../../ui/Notice";

type BehindProps = { gameId: string; choice: Choice; counted: Counted; onClose: () => void };

/** The runs behind a number, each opened in the footprints at the very step. */
export function Behind({ gameId, choice, counted, onClose }: BehindProps) {
  const runs = useBehind(gameId, choice, counted);
  return (
    <div className="rounded-lg border border-line p-3">
      <div className="flex items-center justify-between gap-2">
        <h3 className="font-serif text-lg font-semibold">{runs.data ? countOf(runs.data.length, "run") : "Runs"} behind it</h3>
        <Button look="quiet" onClick={onClose}>
          Close
        </Button>
      </div>
      {runs.error && <ErrorNotice error={runs.error} />}
      <ul className="max-h-60 space-y-1 overflow-auto">
        {runs.data?.map((run) => (
          <li key={`${run.run_id} ${run.started_at} ${run.step} ${run.players.join()}`}>
            <b>{run.players.join(", ")}</b>: {run.given.join(", then ") || "nothing"}, {run.result}, {run.seconds.toFixed(1)} s{" "}
            {run.run_id === null ? (
              <span className="text-soft">({run.file_name})</span>
            ) : (
              <Link to={`/game/${gameId}?dice=${run.dice}&run=${run.run_id}&step=${run.step}`} className="text-sky underline">
                {ago(run.started_at)}
              </Link>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
