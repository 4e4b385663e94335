import { useEffect, useRef } from "react";
import type { TableRun } from "../state/useTableRun";
import { StepRows } from "./StepRows";

/** What happened in the run, step by step. */
export function Footprints({ table }: { table: TableRun }) {
  const list = useRef<HTMLOListElement>(null);
  const { steps, shown, show } = table;
  useEffect(() => {
    const first = list.current?.querySelector<HTMLElement>("[data-shown=true]");
    if (list.current && first) list.current.scrollTop = first.offsetTop - list.current.offsetTop;
  }, [shown, steps.length]);
  return (
    <section aria-labelledby="footprints" className="grid min-h-0 border-t border-line bg-card">
      <ol ref={list} tabIndex={0} aria-labelledby="footprints" className="min-h-0 overflow-auto">
        {steps.map((step, number) => (
          // A step has no identity but its place in the run, and none is ever moved.
          <StepRows key={number} step={step} number={number} place={Math.sign(number - shown)} onShow={show} />
        ))}
      </ol>
    </section>
  );
}
