import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { percent, percentTick } from "../../app/format";

type TurnedChartProps = {
  axis: string;
  ending: string;
  points: { at: number; share: number }[];
  /** The value the game has now. */
  now: number;
  wanted: number;
  found: { at: number; share: number } | undefined;
};

/** How the chance of an ending moves with a number of the game. */
export function TurnedChart({ axis, ending, points, now, wanted, found }: TurnedChartProps) {
  return (
    <figure aria-label={`${ending} by ${axis}`}>
      <ResponsiveContainer width="100%" height={230}>
        <LineChart data={points} margin={{ top: 18, right: 16, bottom: 18, left: 0 }}>
          <CartesianGrid stroke="var(--color-line)" />
          <XAxis
            dataKey="at"
            type="number"
            domain={["dataMin", "dataMax"]}
            ticks={points.map((point) => point.at)}
            stroke="var(--color-soft)"
            label={{ value: axis, position: "insideBottom", offset: -10, fill: "var(--color-soft)" }}
          />
          <YAxis domain={[0, 1]} ticks={[0, 0.25, 0.5, 0.75, 1]} tickFormatter={percentTick} width={58} stroke="var(--color-soft)" />
          <Tooltip
            isAnimationActive={false}
            contentStyle={{ background: "var(--color-card)", border: "1px solid var(--color-edge)", borderRadius: 8, color: "var(--color-ink)" }}
            labelFormatter={(at) => `${axis}: ${Number(at)}`}
            formatter={(share) => [percent(Number(share)), ending]}
          />
          <ReferenceLine x={now} stroke="var(--color-clay)" strokeDasharray="2 4" label={{ value: "as it is", position: "insideTopLeft", fill: "var(--color-clay-dark)" }} />
          <ReferenceLine y={wanted} stroke="var(--color-soft)" strokeDasharray="6 4" />
          <Line dataKey="share" stroke="var(--color-sky)" strokeWidth={2} dot={{ r: 3 }} isAnimationActive={false} />
          {found && <ReferenceDot x={found.at} y={found.share} r={7} fill="var(--color-sun)" stroke="var(--color-ink)" />}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
