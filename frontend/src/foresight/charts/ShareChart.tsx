import { useId } from "react";
import { Area, AreaChart, Bar, BarChart, CartesianGrid, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { percent, percentTick } from "../../app/format";

/** A place on the axis and how many are there. */
export type Shared = { at: number; share: number };

type ShareChartProps = {
  title: string;
  /** What the axis counts. */
  axis: string;
  shares: Shared[];
  /** Bars for what is counted, an area for what goes on. */
  kind: "bars" | "area";
  /** What a share is of, in the words shown beside a value. */
  of: string;
  /** Has whoever is there be shown, where they can be. */
  onChoose?: (at: number) => void;
};

const HEIGHT = 190;
/** So many bars stand close together. */
const MANY = 30;
const MARGIN = { top: 8, right: 12, bottom: 18, left: 0 };

/** A picture of shares with real axes: values under the pointer and by the arrow keys, and the
 * same numbers as a table. */
export function ShareChart({ title, axis, shares, kind, of, onChoose }: ShareChartProps) {
  const id = useId();
  const parts = (
    <>
      <CartesianGrid vertical={false} stroke="var(--color-line)" />
      <XAxis
        dataKey="at"
        type="number"
        domain={kind === "bars" ? ["dataMin - 0.5", "dataMax + 0.5"] : ["dataMin", "dataMax"]}
        allowDecimals={false}
        tickCount={9}
        stroke="var(--color-soft)"
        label={{ value: axis, position: "insideBottom", offset: -10, fill: "var(--color-soft)" }}
      />
      <YAxis tickFormatter={percentTick} width={58} stroke="var(--color-soft)" />
      <Tooltip
        isAnimationActive={false}
        cursor={{ fill: "var(--color-sun-pale)", stroke: "var(--color-sun)" }}
        contentStyle={{ background: "var(--color-card)", border: "1px solid var(--color-edge)", borderRadius: 8, color: "var(--color-ink)" }}
        labelFormatter={(at) => `${axis}: ${Number(Number(at).toFixed(1))}`}
        formatter={(share) => [percent(Number(share)), of]}
      />
    </>
  );
  return (
    <figure aria-labelledby={id} className="min-w-0">
      <figcaption id={id} className="mb-1 font-serif text-lg font-semibold">
        {title}
      </figcaption>
      <ResponsiveContainer width="100%" height={HEIGHT}>
        {kind === "bars" ? (
          <BarChart data={shares} margin={MARGIN} barCategoryGap={shares.length > MANY ? 0 : 2}>
            {parts}
            <Bar dataKey="share" fill="var(--color-sky)" isAnimationActive={false} />
          </BarChart>
        ) : (
          <AreaChart data={shares} margin={MARGIN}>
            {parts}
            <Area dataKey="share" stroke="var(--color-moss)" fill="var(--color-moss-pale)" isAnimationActive={false} />
          </AreaChart>
        )}
      </ResponsiveContainer>
      <details className="text-sm">
        <summary className="cursor-pointer text-soft">The numbers</summary>
        <div className="max-h-40 overflow-auto">
          <table className="tabular-nums">
            <caption className="sr-only">{title}</caption>
            <thead>
              <tr>
                <th scope="col" className="pr-6 text-left font-normal text-soft">
                  {axis}
                </th>
                <th scope="col" className="text-left font-normal text-soft">
                  {of}
                </th>
              </tr>
            </thead>
            <tbody>
              {shares.map(({ at, share }) => (
                <tr key={at}>
                  <th scope="row" className="pr-6 text-left font-normal">
                    {Number(at.toFixed(1))}
                  </th>
                  <td>
                    {onChoose ? (
                      <button type="button" onClick={() => onChoose(at)} className="rounded text-sky underline">
                        {percent(share)}
                        <span className="sr-only"> with {at}: the runs behind it</span>
                      </button>
                    ) : (
                      percent(share)
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </figure>
  );
}
