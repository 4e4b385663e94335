import { Link } from "react-router";
import { useBehind, useCome, type Choice, type Come, type Counted } from "../../api/evidence";
import type { RunBehind } from "../../api/schema";
import { ago, counted as countOf } from "../../app/format";
import { Button } from "../../ui/Button";
import { ErrorNotice } from "../../ui/Notice";

type Shared = { gameId: string; choice: Choice; onClose: () => void };

/** The runs behind a number of a question, each opened in the footprints at the very step. */
export function Behind({ counted, ...shared }: Shared & { counted: Counted }) {
  const runs = useBehind(shared.gameId, shared.choice, counted);
  return <Runs {...shared} runs={runs.data} error={runs.error} />;
}

/** The runs that came to an ending, or were left. */
export function CameSo({ come, ...shared }: Shared & { come: Come }) {
  const runs = useCome(shared.gameId, shared.choice, come);
  return <Runs {...shared} runs={runs.data} error={runs.error} />;
}

function Runs({ gameId, runs, error, onClose }: Shared & { runs: RunBehind[] | undefined; error: unknown }) {
  return (
    <div className="rounded-lg border border-line p-3">
      <div className="flex items-center justify-between gap-2">
        <h3 className="font-serif text-lg font-semibold">{runs ? countOf(runs.length, "run") : "Runs"} behind it</h3>
        <Button look="quiet" onClick={onClose}>
          Close
        </Button>
      </div>
      {error !== null && error !== undefined && <ErrorNotice error={error} />}
      <ul className="max-h-60 space-y-1 overflow-auto">
        {runs?.map((run) => (
          <li key={`${run.run_id} ${run.started_at} ${run.step} ${run.players.join()}`}>
            <b>{run.players.join(", ")}</b>: {[run.given.join(", then "), run.result].filter(Boolean).join(", ")}, {run.seconds.toFixed(1)} s{" "}
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
