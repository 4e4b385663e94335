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
import { seconds } from "../../app/format";
import { useShortcuts } from "../../app/shortcuts";
import { Button } from "../../ui/Button";
import { stopName } from "../stops";
import type { TableRun } from "../useTableRun";
import { TimeLine } from "./TimeLine";

const PLAYBACK_MS = 700;

/** What happened in the run, to be gone back through, played again and branched off. */
export function Footprints({ table }: { table: TableRun }) {
  const [isOpen, setIsOpen] = useState(false);
  const [isPlaying, setIsPlaying] = useState(false);
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
    }, PLAYBACK_MS);
    return () => window.clearTimeout(timer);
  }, [isPlaying, isAtEnd, shown, show]);
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
        <span className="text-soft tabular-nums">
          step {shown + 1} of {steps.length}
        </span>
        <Button look="quiet" className="ml-auto" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
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
        {steps.flatMap((step, number) =>
          step.footprints.map((footprint, place) => (
            // A footprint has no identity but its place in the run, and none is ever moved.
            <li
              key={`${number} ${place}`}
              data-shown={number === shown}
              className={`grid grid-cols-[2.5rem_4.5rem_5.5rem_1fr_auto] gap-x-3 px-4 py-0.5 ${number === shown ? "bg-sun-pale" : number > shown ? "text-soft" : ""}`}
            >
              <button
                type="button"
                aria-label={`Show step ${number + 1}`}
                onClick={() => show(number)}
                className="rounded text-right text-soft tabular-nums hover:underline"
              >
                {number + 1}
              </button>
              <span className="text-right text-soft tabular-nums">{seconds(footprint.at)}</span>
              <span className="font-semibold">{stopName(footprint.stop)}</span>
              <span className="min-w-0 break-words">
                {footprint.why}{" "}
                {footprint.lines.length > 0 && (
                  <span className="ml-2 text-sm text-soft">
                    {footprint.lines.length === 1 ? "line" : "lines"} {footprint.lines.join(", ")}
                  </span>
                )}
              </span>
              <span className="text-right font-semibold text-sky tabular-nums">
                {footprint.changes.map((change) => (
                  <span key={change.name} className="ml-3 inline-block">
                    {change.name} {change.before === null ? "" : `${change.before} → `}
                    {change.after}
                  </span>
                ))}
              </span>
            </li>
          )),
        )}
      </ol>
    </section>
  );
}
