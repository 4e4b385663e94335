import { memo } from "react";
import type { StepView, Stop } from "../../api/schema";
import { STOP_FACES, stopName } from "../../app/stops";

const STOPS = Object.keys(STOP_FACES) as Stop[];
const HEIGHT = 42;
const WIDTH = 1000;

type TimeLineProps = { steps: StepView[]; shown: number; onShow: (step: number) => void };

/** The run drawn from left to right, each footprint at the height of its stop; to be scrubbed. */
export function TimeLine({ steps, shown, onShow }: TimeLineProps) {
  const width = columnsOf(steps);
  const here = steps[shown];
  const left = ((shown + 0.5) / width) * WIDTH;
  return (
    <div className="relative h-10.5 min-w-24 flex-1">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden>
        <rect x={left - (0.48 * WIDTH) / width} width={(0.96 * WIDTH) / width} height={HEIGHT} className="fill-sun-pale" />
        <Marks steps={steps} />
        {here && <g className="stroke-ink">{marksOf(here, shown, width).map((mark) => dot(mark, 7))}</g>}
      </svg>
      <input
        type="range"
        aria-label="Step of the run"
        aria-valuetext={here ? `Step ${shown + 1}, at ${stopName(here.footprints.at(-1)?.stop ?? "ask")}` : undefined}
        min={0}
        max={Math.max(0, steps.length - 1)}
        value={shown}
        onChange={(event) => onShow(event.target.valueAsNumber)}
        style={{ width: `${(100 * Math.max(1, steps.length)) / width}%` }}
        className="absolute inset-y-0 left-0 h-full cursor-pointer opacity-0 focus-visible:opacity-25"
      />
    </div>
  );
}

/** Every footprint of a run; drawn anew only when the run has grown. */
const Marks = memo(function Marks({ steps }: { steps: StepView[] }) {
  const width = columnsOf(steps);
  const marks = steps.flatMap((step, number) => marksOf(step, number, width));
  return (
    <>
      <polyline
        points={marks.map((mark) => `${mark.x},${mark.y}`).join(" ")}
        className="fill-none stroke-edge [stroke-dasharray:1_4] [stroke-linecap:round] [stroke-width:1.5]"
        vectorEffect="non-scaling-stroke"
      />
      <g className="stroke-moss">{marks.filter((mark) => !mark.isRefused).map((mark) => dot(mark, 5))}</g>
      <g className="stroke-clay">{marks.filter((mark) => mark.isRefused).map((mark) => dot(mark, 5))}</g>
    </>
  );
});

type Mark = { key: string; x: number; y: number; isRefused: boolean };

function columnsOf(steps: StepView[]): number {
  return Math.max(steps.length, 12);
}

function marksOf(step: StepView, number: number, width: number): Mark[] {
  const middle = (number + 0.5) / width;
  return step.footprints.map((print, place) => ({
    key: `${number} ${place}`,
    x: (middle + ((place + 0.5) / step.footprints.length - 0.5) * (0.6 / width)) * WIDTH,
    y: 5 + (STOPS.indexOf(print.stop) / (STOPS.length - 1)) * (HEIGHT - 10),
    isRefused: print.what === "refused" || print.what === "failed",
  }));
}

function dot({ key, x, y }: Mark, size: number) {
  return (
    <path key={key} d={`M${x} ${y}h.01`} className="[stroke-linecap:round]" strokeWidth={size} vectorEffect="non-scaling-stroke" />
  );
}
