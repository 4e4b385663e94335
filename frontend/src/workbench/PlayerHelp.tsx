import { Check, Diff, Ellipsis, Hourglass, Maximize2, Minimize2, Pause, Play, Smartphone, X } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import type { Intent } from "../api/schema";
import { useCommands } from "../app/shortcuts";
import { Mute } from "../table/Mute";
import type { Pace } from "../table/useCountdown";
import { Button } from "../ui/Button";
import type { TableRun } from "./state/useTableRun";

const SPEEDS = [0.5, 1, 2, 4, 8, 16];

type PlayerHelpProps = {
  table: TableRun;
  pace: Pace;
  hasClock: boolean;
  mostPlayers: number;
  isLarge: boolean;
  /** Whether the table is as narrow as a phone. */
  isNarrow: boolean;
  onLarge: () => void;
  onNarrow: () => void;
  onPace: (pace: Pace) => void;
  elapsedNow: () => number;
};

/** Playing on for the player, and the pace of the clock. */
export function PlayerHelp(props: PlayerHelpProps) {
  const { table, pace, hasClock, mostPlayers, isLarge, onLarge, onPace, elapsedNow } = props;
  const answer = (intent: Intent, questions: number | null) => table.answer(intent, questions, elapsedNow());
  useCommands({
    G: () => answer("right", 1),
    H: () => answer("partly", 1),
    B: () => answer("wrong", 1),
    O: () => answer("late", 1),
    P: () => onPace({ ...pace, isHeld: !pace.isHeld }),
  });
  const [many, setMany] = useState(5);
  const isOff = !table.isAtEnd || table.steps.at(-1)?.table.phase === "ended";
  return (
    <div data-commands role="group" aria-label="Play for the player" className="flex shrink-0 flex-wrap items-center justify-end gap-1 border-t border-line bg-paper px-2 py-1 [&_button]:min-h-8 [&_button]:gap-1 [&_button]:text-sm">
      <span className="mr-auto text-sm whitespace-nowrap text-soft">{hasClock ? "" : "For the player:"}</span>
      <Button className="px-2" disabled={isOff} onClick={() => answer("right", 1)}>
        <Check aria-hidden /> Right
      </Button>
      {table.steps.at(-1)?.table.question?.can_be_partly && (
        <Button className="px-2" aria-label="Partly right" disabled={isOff} onClick={() => answer("partly", 1)}>
          <Diff aria-hidden />
        </Button>
      )}
      <Button className="px-2" disabled={isOff} onClick={() => answer("wrong", 1)}>
        <X aria-hidden /> Wrong
      </Button>
      {hasClock && (
        <>
          <Button className="px-2" disabled={isOff} onClick={() => answer("late", 1)}>
            <Hourglass aria-hidden /> Late
          </Button>
          <Button
            className="px-2"
            aria-pressed={pace.isHeld}
            aria-label={pace.isHeld ? "Let the clock run" : "Hold the clock"}
            onClick={() => onPace({ ...pace, isHeld: !pace.isHeld })}
          >
            {pace.isHeld ? <Play aria-hidden /> : <Pause aria-hidden />}
          </Button>
        </>
      )}
      <Button className="px-2" aria-label={isLarge ? "Show the bench again" : "Enlarge the table"} onClick={onLarge}>
        {isLarge ? <Minimize2 aria-hidden /> : <Maximize2 aria-hidden />}
      </Button>
      <Popover.Root>
        <Popover.Trigger asChild>
          <Button className="px-2" aria-label="More ways to play on">
            <Ellipsis aria-hidden />
          </Button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content align="end" sideOffset={6} className="z-10 grid gap-2 rounded-lg border border-edge bg-card p-3 shadow-lg">
            <label className="flex items-center justify-between gap-2">
              So many at a time
              <input
                type="number"
                min={1}
                max={1000}
                value={many}
                onChange={(event) => setMany(Math.min(1000, Math.max(1, event.target.valueAsNumber || 1)))}
                className="min-h-9 w-20 rounded-lg border border-edge bg-card px-2 text-right tabular-nums"
              />
            </label>
            <span className="grid grid-cols-3 gap-1">
              <Button disabled={isOff} aria-label={`${many} right`} onClick={() => answer("right", many)}>
                {many} <Check aria-hidden />
              </Button>
              <Button disabled={isOff} aria-label={`${many} wrong`} onClick={() => answer("wrong", many)}>
                {many} <X aria-hidden />
              </Button>
              <Button disabled={isOff || !hasClock} aria-label={`${many} late`} onClick={() => answer("late", many)}>
                {many} <Hourglass aria-hidden />
              </Button>
            </span>
            <Button disabled={isOff} onClick={() => answer("right", null)}>
              All right, to the end
            </Button>
            <Button disabled={isOff} onClick={() => answer("wrong", null)}>
              All wrong, to the end
            </Button>
            <Choice
              label="Pace of the clock"
              value={pace.speed}
              options={SPEEDS.map((speed) => [speed, `${speed === 0.5 ? "½" : speed} ×`])}
              onChange={(speed) => onPace({ ...pace, speed })}
            />
            <span className="flex items-center justify-between gap-2">
              Sound <Mute />
            </span>
            <Button aria-pressed={props.isNarrow} className="aria-pressed:bg-moss-pale" onClick={props.onNarrow}>
              <Smartphone aria-hidden /> As wide as a phone
            </Button>
            {mostPlayers > 1 && (
              <Choice
                label="Players"
                value={table.players}
                options={Array.from({ length: mostPlayers }, (_, n) => [n + 1, String(n + 1)])}
                onChange={(count) => table.startOver(count)}
              />
            )}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}

type ChoiceProps = {
  label: string;
  value: number;
  options: [number, string][];
  onChange: (value: number) => void;
};

function Choice({ label, value, options, onChange }: ChoiceProps) {
  return (
    <label className="flex items-center justify-between gap-2">
      {label}
      <select
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
        className="min-h-9 rounded-lg border border-edge bg-card px-2"
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
