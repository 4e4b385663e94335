import { useState } from "react";
import type { CounterShares, Forecast } from "../api/schema";
import { SelectField } from "../ui/fields";
import { ShareChart } from "./charts/ShareChart";

/** The spread of counters, who is still in, and how long runs are. */
export function Pictures({ told }: { told: Forecast }) {
  const [chosen, setChosen] = useState(0);
  const counter = told.counters[chosen] ?? told.counters[0];
  return (
    <section aria-labelledby="pictures" className="rounded-xl border border-line bg-card p-4">
      <h2 id="pictures" className="mb-2 text-2xl">
        How far it goes
      </h2>
      <div className="grid gap-x-6 gap-y-4 xl:grid-cols-3">
        {counter && (
          <ShareChart
            title={`At the end: ${nameOf(counter, told)}`}
            axis={counter.name}
            shares={counter.values.map(({ value, share }) => ({ at: value, share }))}
            kind="bars"
            of="of the runs"
          />
        )}
        <ShareChart
          title="Still in"
          axis="questions done with"
          shares={told.still_in.map((share, at) => ({ at, share }))}
          kind="bars"
          of="are still in"
        />
        {told.lengths && <LengthChart lengths={told.lengths} />}
      </div>
      {told.counters.length > 1 && (
        <SelectField
          label="Counter"
          value={String(chosen)}
          options={told.counters.map((one, place) => ({ value: String(place), label: nameOf(one, told) }))}
          onChange={(next) => setChosen(Number(next))}
        />
      )}
    </section>
  );
}

function nameOf(counter: CounterShares, told: Forecast): string {
  return told.scouts.length > 1 ? `${counter.name} of ${told.scouts[counter.player] ?? ""}` : counter.name;
}

function LengthChart({ lengths }: { lengths: NonNullable<Forecast["lengths"]> }) {
  const shares = lengths.shares.map((share, place) => ({ at: place * lengths.step_seconds, share }));
  return <ShareChart title="How long" axis="seconds" shares={shares} kind="area" of="of the runs" />;
}
