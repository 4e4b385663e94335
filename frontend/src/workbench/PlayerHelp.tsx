import { Check, Ellipsis, Hourglass, Pause, Play, X } from "lucide-react";
import { Popover } from "radix-ui";
import type { Intent } from "../api/schema";
import { useShortcuts } from "../app/shortcuts";
import type { Pace } from "../table/useCountdown";
import { Button } from "../ui/Button";
import type { TableRun } from "./useTableRun";

const SPEEDS = [0.5, 1, 2, 4, 8, 16];

type PlayerHelpProps = {
  table: TableRun;
  pace: Pace;
  hasClock: boolean;
  mostPlayers: number;
  onPace: (pace: Pace) => void;
  elapsedNow: () => number;
};

/** Playing on for the player, and the pace of the clock. */
export function PlayerHelp({ table, pace, hasClock, mostPlayers, onPace, elapsedNow }: PlayerHelpProps) {
  const answer = (intent: Intent, questions: number | null) => table.answer(intent, questions, elapsedNow());
  useShortcuts({
    G: answersAtTable(table, "G") ? undefined : () => answer("right", 1),
    B: answersAtTable(table, "B") ? undefined : () => answer("wrong", 1),
    O: answersAtTable(table, "O") ? undefined : () => answer("late", 1),
  });
  const isOff = !table.isAtEnd || table.steps.at(-1)?.table.phase === "ended";
  return (
    <div role="group" aria-label="Play for the player" className="flex shrink-0 items-center gap-1.5 border-t border-line bg-paper px-3 py-1.5">
      <span className="mr-auto text-sm whitespace-nowrap text-soft">{hasClock ? "" : "For the player:"}</span>
      <Button className="px-2" disabled={isOff} onClick={() => answer("right", 1)}>
        <Check aria-hidden /> Right
      </Button>
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
      <Popover.Root>
        <Popover.Trigger asChild>
          <Button className="px-2" aria-label="More ways to play on">
            <Ellipsis aria-hidden />
          </Button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content align="end" sideOffset={6} className="z-10 grid gap-2 rounded-lg border border-edge bg-card p-3 shadow-lg">
            <Button disabled={isOff} onClick={() => answer("right", 5)}>
              Five right
            </Button>
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

/** Whether a key already answers at the table. */
function answersAtTable(table: TableRun, key: string): boolean {
  const shown = table.steps.at(-1)?.table;
  if (shown?.phase !== "asking") return false;
  return shown.question?.kind === "letters" || (shown.question?.choices.some((slat) => slat.letter === key) ?? false);
}
