import { useEffect, useRef } from "react";
import { useCompared } from "../../api/kept";
import type { Footprint, GameView, KeptCard } from "../../api/schema";
import { seconds } from "../../app/format";
import { Button } from "../../ui/Button";
import { ErrorNotice } from "../../ui/Notice";
import { stopName } from "../../app/stops";

type SideBySideProps = { game: GameView; run: KeptCard; onClose: () => void };

/** A kept run as it was and as it is now, opened where it first differs. */
export function SideBySide({ game, run, onClose }: SideBySideProps) {
  const { data, error } = useCompared(game.id, run.id, game.revision);
  const from = data?.held.step ?? 0;
  const frame = useRef<HTMLElement>(null);
  const isThere = data !== undefined;
  useEffect(() => {
    if (isThere) frame.current?.scrollIntoView({ block: "nearest" });
  }, [isThere]);
  return (
    <section ref={frame} aria-labelledby="beside" className="rounded-xl border border-line bg-card p-4">
      <div className="flex items-center justify-between gap-3">
        <h2 id="beside" className="text-2xl">
          {run.name}, as it was and as it is
        </h2>
        <Button onClick={onClose}>Close</Button>
      </div>
      {error && <ErrorNotice error={error} />}
      {!data && !error && <p role="status">Playing it…</p>}
      {data && (
        <>
          {data.changes.length > 0 && (
            <p className="mb-2 text-soft">
              Changed since version {run.revision}: {data.changes.join("; ")}.
            </p>
          )}
          <div className="grid gap-4 md:grid-cols-2">
            <Steps title={`As it was in version ${run.revision}`} steps={data.before} from={from} place={data.held.place} />
            <Steps title="As it is now" steps={data.now} from={from} place={data.held.place} />
          </div>
        </>
      )}
    </section>
  );
}

type StepsProps = { title: string; steps: Footprint[][]; from: number; place: number };

/** The footprints of a run; the step that differs is in sight, and the footprint marked. */
function Steps({ title, steps, from, place }: StepsProps) {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const first = list.current?.querySelector<HTMLElement>("[data-first=true]");
    if (list.current && first) list.current.scrollTop = first.offsetTop - list.current.offsetTop;
  }, [steps]);
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">{title}</h3>
      <div ref={list} tabIndex={0} role="region" aria-label={title} className="max-h-80 overflow-auto rounded-lg border border-line">
        <ol>
          {steps.map((prints, number) => (
            // Steps have no identity but their place in the run.
            <li key={number} data-first={number === from} className={number === from ? "bg-sun-pale" : ""}>
              <ol>
                {prints.map((print, at) => (
                  <li
                    key={at}
                    className={`grid grid-cols-[2rem_4rem_5rem_minmax(0,1fr)] gap-2 border-l-4 px-2 py-0.5 ${
                      number === from && at === place ? "border-clay font-semibold" : "border-transparent"
                    }`}
                  >
                    <span className="text-right text-soft tabular-nums">{number + 1}</span>
                    <span className="text-right text-soft tabular-nums">{seconds(print.at)}</span>
                    <span>{stopName(print.stop)}</span>
                    <span className="min-w-0 break-words">
                      {print.why}
                      {print.changes.map(({ name, before, after }) => (
                        <span key={name} className="ml-2 whitespace-nowrap text-sky">
                          {name} {before === null ? "" : `${before} → `}
                          {after}
                        </span>
                      ))}
                    </span>
                  </li>
                ))}
              </ol>
            </li>
          ))}
        </ol>
      </div>
    </div>
  );
}
