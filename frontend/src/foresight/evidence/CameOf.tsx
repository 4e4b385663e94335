import { useState } from "react";
import type { Choice, Come } from "../../api/evidence";
import type { EvidenceView } from "../../api/schema";
import { counted, minutes, percent } from "../../app/format";
import { ShareChart } from "../charts/ShareChart";
import { CameSo } from "./Behind";

type CameOfProps = { gameId: string; told: EvidenceView; choice: Choice };

/** What the runs came to: scores, lengths, endings and where players left, each one press from its runs. */
export function CameOf({ gameId, told, choice }: CameOfProps) {
  const { came } = told;
  const [come, setCome] = useState<Come>();
  return (
    <section aria-labelledby="came" className="space-y-3 rounded-xl border border-line bg-card p-4">
      <h2 id="came" className="text-2xl">
        What they came to
      </h2>
      {came.scores.length > 0 && (
        <ShareChart
          title={`Score${came.mean_score === null ? "" : `, ${came.mean_score.toFixed(1)} on average`}`}
          axis="score"
          shares={came.scores.map(({ value, share }) => ({ at: value, share }))}
          kind="bars"
          of="of those who ended"
          onChoose={(score) => setCome({ score })}
        />
      )}
      <ul>
        {came.endings.map(({ title, share }) => (
          <li key={title}>
            {title ?? "no ending fits"}:{" "}
            <button type="button" onClick={() => setCome({ ending: title ?? "" })} className="rounded text-sky underline">
              {percent(share.share)}
              <span className="sr-only"> came to {title ?? "no ending"}</span>
            </button>{" "}
            <span className="text-sm text-soft">
              ({percent(share.least)} to {percent(share.most)})
            </span>
          </li>
        ))}
      </ul>
      {came.seconds && (
        <p>
          Half took up to {minutes(came.seconds.median * 1000)} minutes, the middle half from {minutes(came.seconds.first * 1000)} to{" "}
          {minutes(came.seconds.third * 1000)}.
        </p>
      )}
      {came.ended === came.runs ? (
        <p>Nobody left before the end.</p>
      ) : (
        <p>
          Left:{" "}
          {came.left_after.map(
            (times, after) =>
              times > 0 && (
                // How many questions it was after is all that tells it.
                <button key={after} type="button" onClick={() => setCome({ left_after: after })} className="mr-3 rounded text-sky underline">
                  {times} after {counted(after, "question")}
                </button>
              ),
          )}
        </p>
      )}
      {come && <CameSo key={JSON.stringify(come)} gameId={gameId} choice={choice} come={come} onClose={() => setCome(undefined)} />}
    </section>
  );
}
