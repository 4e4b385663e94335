import type { StepView, Stop } from "../../api/schema";
import { stopName } from "../stops";

const STOPS: Stop[] = ["load", "open", "draw", "ask", "check", "score", "cue", "move on", "end"];
const HEIGHT = 46;

type TimeLineProps = { steps: StepView[]; shown: number; onShow: (step: number) => void };

/** The run drawn from left to right, each footprint at the height of its stop; to be scrubbed. */
export function TimeLine({ steps, shown, onShow }: TimeLineProps) {
  const width = Math.max(steps.length, 12);
  const x = (step: number) => ((step + 0.5) / width) * 1000;
  const y = (stop: Stop) => 5 + (STOPS.indexOf(stop) / (STOPS.length - 1)) * (HEIGHT - 10);
  const marks = steps.flatMap((step, number) =>
    step.footprints.map((print, place) => ({
      key: `${number} ${place}`,
      x: x(number) + ((place + 0.5) / step.footprints.length - 0.5) * (600 / width),
      y: y(print.stop),
      isRefused: print.what === "refused" || print.what === "failed",
      isShown: number === shown,
    })),
  );
  const here = steps[shown];
  return (
    <div className="relative mx-4 h-11.5">
      <svg viewBox={`0 0 1000 ${HEIGHT}`} preserveAspectRatio="none" className="absolute inset-0 size-full" aria-hidden>
        <rect x={x(shown) - 480 / width} width={960 / width} height={HEIGHT} className="fill-sun-pale" />
        <polyline
          points={marks.map((mark) => `${mark.x},${mark.y}`).join(" ")}
          className="fill-none stroke-edge [stroke-dasharray:1_4] [stroke-linecap:round] [stroke-width:1.5]"
          vectorEffect="non-scaling-stroke"
        />
        {marks.map((mark) => (
          <line
            key={mark.key}
            x1={mark.x}
            x2={mark.x}
            y1={mark.y}
            y2={mark.y + 0.01}
            className={`[stroke-linecap:round] ${mark.isRefused ? "stroke-clay" : mark.isShown ? "stroke-ink" : "stroke-moss"}`}
            strokeWidth={mark.isShown ? 7 : 5}
            vectorEffect="non-scaling-stroke"
          />
        ))}
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
