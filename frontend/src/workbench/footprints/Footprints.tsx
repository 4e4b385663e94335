import {
  ChevronDown,
  ChevronUp,
  Footprints as FootprintsIcon,
  Pause,
  Play,
  SkipBack,
  SkipForward,
  StepBack,
  StepForward,
} from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { useShortcuts } from "../../app/shortcuts";
import { Button } from "../../ui/Button";
import type { TableRun } from "../state/useTableRun";
import { KeepRun } from "./KeepRun";
import { StepRows } from "./StepRows";
import { TimeLine } from "./TimeLine";

const PLAYBACK_MS = 800;
const SPEEDS = [0.5, 1, 2, 4, 8];

/** What happened in the run, to be gone back through, played again and branched off. */
export function Footprints({ gameId, table }: { gameId: string; table: TableRun }) {
  const [isOpen, setIsOpen] = useState(false);
  const [isPlaying, setIsPlaying] = useState(false);
  const [speed, setSpeed] = useState(1);
  const list = useRef<HTMLOListElement>(null);
  const { steps, shown, isAtEnd } = table;
  useEffect(() => {
    const first = list.current?.querySelector<HTMLElement>("[data-shown=true]");
    if (list.current && first) list.current.scrollTop = first.offsetTop - list.current.offsetTop;
  }, [shown, steps.length, isOpen]);
  const { show } = table;
  useEffect(() => {
    if (!isPlaying) return;
    const timer = window.setTimeout(() => {
      if (isAtEnd) setIsPlaying(false);
      else show(shown + 1);
    }, PLAYBACK_MS / speed);
    return () => window.clearTimeout(timer);
  }, [isPlaying, isAtEnd, shown, show, speed]);
  useShortcuts({ ",": () => show(shown - 1), ".": () => show(shown + 1) });
  const playBack = () => {
    if (isAtEnd) show(0);
    setIsPlaying(!isPlaying);
  };
  const count = steps.reduce((sum, step) => sum + step.footprints.length, 0);
  return (
    <section aria-labelledby="footprints" className="flex shrink-0 flex-col border-t border-line bg-card">
      <div className="flex flex-wrap items-center gap-1 px-4 py-0.5">
        <FootprintsIcon className="size-5" aria-hidden />
        <h2 id="footprints" className="text-lg">
          Footprints
        </h2>
        <span className="mr-3 text-soft">{count} so far</span>
        <Button look="quiet" className="px-2" aria-label="To the first step" disabled={shown <= 0} onClick={() => show(0)}>
          <SkipBack aria-hidden />
        </Button>
        <Button look="quiet" className="px-2" aria-label="One step back" disabled={shown <= 0} onClick={() => show(shown - 1)}>
          <StepBack aria-hidden />
        </Button>
        <Button
          look="quiet"
          className="px-2"
          aria-label={isPlaying ? "Stop playing back" : "Play the run back"}
          disabled={steps.length < 2}
          onClick={playBack}
        >
          {isPlaying ? <Pause aria-hidden /> : <Play aria-hidden />}
        </Button>
        <Button look="quiet" className="px-2" aria-label="One step forward" disabled={isAtEnd} onClick={() => show(shown + 1)}>
          <StepForward aria-hidden />
        </Button>
        <Button look="quiet" className="px-2" aria-label="To the newest step" disabled={isAtEnd} onClick={() => show(steps.length)}>
          <SkipForward aria-hidden />
        </Button>
        <select
          aria-label="Speed of playing back"
          value={speed}
          onChange={(event) => setSpeed(Number(event.target.value))}
          className="mr-2 min-h-7 rounded-md border border-line bg-card px-1"
        >
          {SPEEDS.map((times) => (
            <option key={times} value={times}>
              {times === 0.5 ? "½" : times} ×
            </option>
          ))}
        </select>
        <span className="text-soft tabular-nums">
          step {shown + 1} of {steps.length}
        </span>
        <KeepRun gameId={gameId} runId={table.runId} steps={shown} />
        <Button look="quiet" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
          {isOpen ? <ChevronDown aria-hidden /> : <ChevronUp aria-hidden />}
          {isOpen ? "Fold" : "Unfold"}
        </Button>
      </div>
      <TimeLine steps={steps} shown={shown} onShow={show} />
      <ol
        ref={list}
        tabIndex={0}
        aria-labelledby="footprints"
        className={`overflow-auto border-t border-line ${isOpen ? "h-[45vh]" : "h-[4.7rem]"}`}
      >
        {steps.map((step, number) => (
          // A step has no identity but its place in the run, and none is ever moved.
          <StepRows key={number} step={step} number={number} place={Math.sign(number - shown)} onShow={show} />
        ))}
      </ol>
    </section>
  );
}
