import { CartesianGrid, ReferenceLine, ResponsiveContainer, Scatter, ScatterChart, Tooltip, XAxis, YAxis } from "recharts";
import type { QuestionEvidence } from "../../api/schema";
import { percent, percentTick } from "../../app/format";

type RightAgainstRestProps = { questions: QuestionEvidence[]; chosen: number; onChoose: (place: number) => void };
type Dot = { place: number; right: number; rest: number; prompt: string; look: string };

const LOOKS: Partial<Record<QuestionEvidence["says"], string>> = {
  misleading: "var(--color-clay)",
  "probably keyed wrong": "var(--color-clay)",
  "time is never enough": "var(--color-clay)",
  "too few to say": "var(--color-edge)",
};

/** Every question as a dot: how often right, against how far it goes with the rest. */
export function RightAgainstRest({ questions, chosen, onChoose }: RightAgainstRestProps) {
  const dots: Dot[] = questions.flatMap(({ prompt, right, with_rest: rest, says }, place) =>
    rest === null ? [] : [{ place, prompt, right: right.share, rest, look: LOOKS[says] ?? "var(--color-moss)" }],
  );
  const ticks = ticksFor(dots.map(({ rest }) => rest));
  return (
    <figure aria-labelledby="right-rest" className="rounded-xl border border-line bg-card p-4">
      <figcaption id="right-rest" className="mb-1 font-serif text-lg font-semibold">
        How often right, against how far it goes with the rest
      </figcaption>
      {dots.length === 0 ? (
        <p className="text-soft">Too few answers to draw.</p>
      ) : (
        <ResponsiveContainer width="100%" height={280}>
          <ScatterChart margin={{ top: 8, right: 12, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--color-line)" />
            <XAxis
              dataKey="right"
              type="number"
              domain={[0, 1]}
              tickFormatter={percentTick}
              stroke="var(--color-soft)"
              label={{ value: "right", position: "insideBottom", offset: -10, fill: "var(--color-soft)" }}
            />
            <YAxis
              dataKey="rest"
              type="number"
              domain={[ticks[0] ?? 0, ticks.at(-1) ?? 0]}
              ticks={ticks}
              tickFormatter={(value: number) => value.toFixed(1)}
              width={44}
              stroke="var(--color-soft)"
            />
            <ReferenceLine y={0} stroke="var(--color-ink)" strokeDasharray="2 4" />
            <Tooltip
              isAnimationActive={false}
              content={({ payload }) => {
                const dot = payload[0]?.payload as Dot | undefined;
                return dot ? (
                  <p className="max-w-72 rounded-lg border border-edge bg-card px-3 py-2">
                    {dot.prompt}
                    <br />
                    right {percent(dot.right)}, with the rest {dot.rest.toFixed(2)}
                  </p>
                ) : null;
              }}
            />
            <Scatter
              data={dots}
              isAnimationActive={false}
              shape={(given: { cx?: number; cy?: number; payload?: Dot }) => (
                <circle
                  cx={given.cx}
                  cy={given.cy}
                  r={given.payload?.place === chosen ? 8 : 5}
                  fill={given.payload?.look}
                  stroke={given.payload?.place === chosen ? "var(--color-ink)" : "var(--color-card)"}
                  className="cursor-pointer"
                  onClick={() => given.payload && onChoose(given.payload.place)}
                />
              )}
            />
          </ScatterChart>
        </ResponsiveContainer>
      )}
      <p className="text-sm text-soft">Below the line, players who know more are wrong more often. The list of questions
        shows the same numbers.</p>
    </figure>
  );
}

const TICK = 0.2;

/** Round values from below the lowest correlation to above the highest, 0 among them. */
function ticksFor(rests: number[]): number[] {
  const first = Math.floor(Math.min(0, ...rests) / TICK);
  const last = Math.ceil(Math.max(0, ...rests) / TICK);
  return Array.from({ length: last - first + 1 }, (_, step) => Number(((first + step) * TICK).toFixed(1)));
}
