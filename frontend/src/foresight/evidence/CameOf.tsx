import type { EvidenceView } from "../../api/schema";
import { counted, minutes, percent } from "../../app/format";
import { ShareChart } from "../charts/ShareChart";

/** What the runs came to: scores, lengths, and where players left. */
export function CameOf({ told }: { told: EvidenceView }) {
  const { came } = told;
  const left = came.left_after.flatMap((times, after) => (times ? [`${times} after ${counted(after, "question")}`] : []));
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
        />
      )}
      <ul>
        {came.endings.map(({ title, share }) => (
          <li key={title}>
            {title ?? "no ending fits"}: {percent(share.share)}{" "}
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
      <p>{left.length ? `Left: ${left.join(", ")}.` : "Nobody left before the end."}</p>
    </section>
  );
}
