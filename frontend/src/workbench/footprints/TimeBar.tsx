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
import { useEffect, useState } from "react";
import { useCommands } from "../../app/shortcuts";
import { Button } from "../../ui/Button";
import type { TableRun } from "../state/useTableRun";
import { KeepRun } from "./KeepRun";
import { TimeLine } from "./TimeLine";

const PLAYBACK_MS = 800;
const SPEEDS = [0.5, 1, 2, 4, 8];

type TimeBarProps = { gameId: string; table: TableRun; isOpen: boolean; onOpen: (isOpen: boolean) => void };

/** The run as one line of time, to be gone back through, played again and kept. */
export function TimeBar({ gameId, table, isOpen, onOpen }: TimeBarProps) {
  const [isPlaying, setIsPlaying] = useState(false);
  const [speed, setSpeed] = useState(1);
  const { steps, shown, isAtEnd, show } = table;
  useEffect(() => {
    if (!isPlaying) return;
    const timer = window.setTimeout(() => {
      if (isAtEnd) setIsPlaying(false);
      else show(shown + 1);
    }, PLAYBACK_MS / speed);
    return () => window.clearTimeout(timer);
  }, [isPlaying, isAtEnd, shown, show, speed]);
  useCommands({ ",": () => show(shown - 1), ".": () => show(shown + 1), F: () => onOpen(!isOpen) });
  const playBack = () => {
    if (isAtEnd) show(0);
    setIsPlaying(!isPlaying);
  };
  const count = steps.reduce((sum, step) => sum + step.footprints.length, 0);
  return (
    <div data-commands role="group" aria-label="The run's time" className="flex h-12 shrink-0 items-center gap-0.5 border-t border-line bg-card px-3">
      <FootprintsIcon className="size-5 shrink-0" aria-hidden />
      <h2 id="footprints" className="ml-1 text-lg max-xl:sr-only">
        Footprints
      </h2>
      <span className="mr-2 ml-1 text-soft tabular-nums" title={`${count} footprints so far`}>
        {count}
        <span className="sr-only"> so far</span>
      </span>
      <Button look="quiet" className="px-1.5" aria-label="To the first step" disabled={shown <= 0} onClick={() => show(0)}>
        <SkipBack aria-hidden />
      </Button>
      <Button look="quiet" className="px-1.5" aria-label="One step back" disabled={shown <= 0} onClick={() => show(shown - 1)}>
        <StepBack aria-hidden />
      </Button>
      <Button
        look="quiet"
        className="px-1.5"
        aria-label={isPlaying ? "Stop playing back" : "Play the run back"}
        disabled={steps.length < 2}
        onClick={playBack}
      >
        {isPlaying ? <Pause aria-hidden /> : <Play aria-hidden />}
      </Button>
      <Button look="quiet" className="px-1.5" aria-label="One step forward" disabled={isAtEnd} onClick={() => show(shown + 1)}>
        <StepForward aria-hidden />
      </Button>
      <Button look="quiet" className="px-1.5" aria-label="To the newest step" disabled={isAtEnd} onClick={() => show(steps.length)}>
        <SkipForward aria-hidden />
      </Button>
      <select
        aria-label="Speed of playing back"
        value={speed}
        onChange={(event) => setSpeed(Number(event.target.value))}
        className="mx-1 min-h-7 rounded-md border border-line bg-card px-1"
      >
        {SPEEDS.map((times) => (
          <option key={times} value={times}>
            {times === 0.5 ? "½" : times} ×
          </option>
        ))}
      </select>
      <TimeLine steps={steps} shown={shown} onShow={show} />
      <span className="mx-2 whitespace-nowrap text-soft tabular-nums">
        step {shown + 1} of {steps.length}
      </span>
      <KeepRun gameId={gameId} runId={table.runId} steps={shown} />
      <Button look="quiet" className="px-2" aria-expanded={isOpen} onClick={() => onOpen(!isOpen)}>
        {isOpen ? <ChevronDown aria-hidden /> : <ChevronUp aria-hidden />}
        {isOpen ? "Fold" : "Unfold"}
      </Button>
    </div>
  );
}
