import { useEffect, useRef } from "react";
import type { Action } from "../api/runs";
import type { Table as TableShown } from "../api/schema";
import { useShortcuts } from "../app/shortcuts";
import { Asking } from "./Asking";
import { Ended } from "./Ended";
import { Opening } from "./Opening";

type TableProps = {
  table: TableShown;
  /** Changes when another run is laid on the table. */
  runId: string;
  isBusy: boolean;
  /** Whether to show the question large, on a page of its own. */
  isAlone?: boolean;
  onAction: (action: Action) => void;
  onAgain: () => void;
};

/** The game as the player has it. It shows what the server says and decides nothing. */
export function Table({ table, runId, isBusy, isAlone = false, onAction, onAgain }: TableProps) {
  const frame = useRef<HTMLDivElement>(null);
  const act = (action: Action) => !isBusy && onAction(action);
  const goOn = {
    opening: () => act({ action: "begin" }),
    asking: undefined,
    holding: () => act({ action: "continue" }),
    ended: onAgain,
  }[table.phase];
  const picks = (table.question?.choices ?? []).flatMap((slat) => {
    const pick = () => act({ action: "answer", value: slat.place });
    return [
      [slat.letter, pick],
      [String(slat.place), pick],
    ] as const;
  });
  useShortcuts({ Enter: goOn, ...(table.phase === "asking" ? Object.fromEntries(picks) : {}) });

  // Focus follows the question, but is never taken from somebody busy elsewhere.
  const step = `${runId} ${table.phase} ${table.question?.number ?? 0}`;
  const stepBefore = useRef(step);
  useEffect(() => {
    if (stepBefore.current === step) return;
    stepBefore.current = step;
    const active = document.activeElement;
    if (active !== document.body && !frame.current?.contains(active)) return;
    frame.current?.querySelector<HTMLElement>("[data-next]")?.focus({ preventScroll: true });
  }, [step]);

  return (
    <div ref={frame} className={`flex flex-1 flex-col ${isAlone ? "text-lg" : ""}`}>
      {table.phase === "opening" && <Opening table={table} onBegin={() => act({ action: "begin" })} />}
      {table.question && (
        <Asking
          key={table.question.number}
          table={table}
          question={table.question}
          onAnswer={(value) => act({ action: "answer", value })}
          onContinue={() => act({ action: "continue" })}
        />
      )}
      {table.ending && <Ended table={table} ending={table.ending} onAgain={onAgain} />}
    </div>
  );
}
