import { Slider } from "radix-ui";
import { useState, type ReactNode } from "react";

type QuestionTimeProps = {
  seconds: number | null;
  holdMs: number | null;
  onSeconds: (seconds: number | null) => void;
  onHold: (holdMs: number | null) => void;
};

/** The longest the line shows; beyond it there is no deadline, and the run waits for Go on. */
const LEAST_SCALE_S = 60;
const HOLD_SCALE_S = 10;

/** One question as a line of time, dragged to length: the time to answer, then the hold. */
export function QuestionTime({ seconds, holdMs, onSeconds, onHold }: QuestionTimeProps) {
  const scale = Math.max(LEAST_SCALE_S, Math.ceil((seconds ?? 0) * 1.25)) + 1;
  const hold = holdMs === null ? "until Go on" : `${holdMs / 1000} s`;
  const open = seconds === null ? "no deadline" : `${seconds} s to answer`;
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">One question in time</figcaption>
      <div className="flex gap-1">
        <Line
          name="Time to answer, in seconds"
          className="w-[72%]"
          look="bg-moss"
          least={1}
          most={scale}
          step={1}
          value={seconds ?? scale}
          told={(value) => (value >= scale ? "no deadline" : `${value} s`)}
          onChange={(value) => onSeconds(value >= scale ? null : value)}
        >
          shown, {open}
        </Line>
        <Line
          name="Hold, in seconds"
          className="flex-1"
          look="bg-sun"
          least={0}
          most={HOLD_SCALE_S + 0.5}
          step={0.5}
          value={holdMs === null ? HOLD_SCALE_S + 0.5 : Math.min(HOLD_SCALE_S, holdMs / 1000)}
          told={(value) => (value > HOLD_SCALE_S ? "until Go on" : `${value} s`)}
          onChange={(value) => onHold(value > HOLD_SCALE_S ? null : 1000 * value)}
        >
          hold {hold}
        </Line>
      </div>
    </figure>
  );
}

type LineProps = {
  name: string;
  className: string;
  look: string;
  least: number;
  most: number;
  step: number;
  value: number;
  told: (value: number) => string;
  onChange: (value: number) => void;
  children: ReactNode;
};

/** A stretch of time with a grip at its end; what it is dragged to counts once it is let go. */
function Line({ name, className, look, least, most, step, value, told, onChange, children }: LineProps) {
  const [dragged, setDragged] = useState<number>();
  const shown = dragged ?? value;
  return (
    <div className={className}>
      <Slider.Root
        min={least}
        max={most}
        step={step}
        value={[shown]}
        onValueChange={([next]) => setDragged(next)}
        onValueCommit={([next]) => {
          setDragged(undefined);
          if (next !== undefined && next !== value) onChange(next);
        }}
        className="relative flex h-6 touch-none items-center"
      >
        <Slider.Track className="relative h-3 flex-1 rounded-full bg-line">
          <Slider.Range className={`absolute h-full rounded-full ${look}`} />
        </Slider.Track>
        <Slider.Thumb
          aria-label={name}
          aria-valuetext={told(shown)}
          className="block h-6 w-3 cursor-ew-resize rounded-md border-2 border-ink bg-card"
        />
      </Slider.Root>
      <span className="block truncate text-sm">{dragged === undefined ? children : told(dragged)}</span>
    </div>
  );
}
