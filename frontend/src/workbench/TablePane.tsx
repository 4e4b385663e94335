import { useEffect, useRef, useState } from "react";
import { useDress } from "../api/dress";
import { makersVoice } from "../api/runs";
import { Dressed } from "../table/Dressed";
import { Table } from "../table/Table";
import { useCountdown } from "../table/useCountdown";
import { Button } from "../ui/Button";
import { ErrorNotice, Notice } from "../ui/Notice";
import { PlayerHelp } from "./PlayerHelp";
import type { TableRun } from "./state/useTableRun";

type TablePaneProps = { table: TableRun; isBegun: boolean; mostPlayers: number; isLarge: boolean; onLarge: () => void };

/** The game as it now stands, to be played beside any bench; its clock is the maker's. */
export function TablePane({ table, isBegun, mostPlayers, isLarge, onLarge }: TablePaneProps) {
  const [pace, setPace] = useState({ speed: 1, isHeld: false });
  const [isNarrow, setIsNarrow] = useState(false);
  const dress = useDress(table.gameId, table.revision);
  const step = table.steps[table.shown];
  const stamp = `${table.runId ?? ""} ${table.shown}`;
  const isStill = pace.isHeld || !table.isAtEnd;
  const { elapsed, elapsedNow, deadline } = useCountdown(stamp, step?.table, { ...pace, isHeld: isStill }, (ended) =>
    table.act({ action: "wait" }, ended),
  );
  // A step gone back to is seen from its head on, wherever the newest one was scrolled to.
  const pane = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!table.isAtEnd) pane.current?.scrollTo(0, 0);
  }, [table.isAtEnd, table.shown]);
  return (
    <section aria-label="Table" className="flex min-h-0 flex-col overflow-hidden rounded-xl border border-edge bg-card shadow-sm">
      {!table.isAtEnd && (
        <div role="status" className="flex shrink-0 flex-wrap items-center gap-2 border-b border-sky bg-sky-pale px-3 py-1.5">
          <span className="mr-auto">
            {table.lookedAt} Step {table.shown + 1} of {table.steps.length}.
          </span>
          <Button onClick={table.branch}>Branch here</Button>
          {table.shown < table.steps.length - 1 && (
            <Button onClick={() => table.show(table.steps.length)}>To the newest</Button>
          )}
        </div>
      )}
      <div ref={pane} className="flex min-h-0 flex-1 flex-col overflow-auto">
        {table.restarted && <Notice>{table.restarted}</Notice>}
        {!isBegun && (
          <div className="m-auto max-w-sm space-y-2 p-6 text-center">
            <p className="text-xl">Nothing to ask yet.</p>
            <p className="text-soft">Write questions, load or paste some, or add sums: the game is played here as soon as there is one.</p>
          </div>
        )}
        {isBegun && (table.error ?? dress.error) && <ErrorNotice error={table.error ?? dress.error} />}
        {step && dress.data && (
          <Dressed
            dress={dress.data}
            phase={step.table.phase}
            light="device"
            className={`flex flex-1 flex-col p-2 ${isNarrow ? "mx-auto w-90 max-w-full" : ""}`}
          >
            <div
              inert={!table.isAtEnd}
              className={`flex flex-1 flex-col rounded-lg bg-card px-3 py-2.5 ${isLarge ? "mx-auto w-full max-w-3xl" : ""}`}
            >
              <Table
                table={step.table}
                look={dress.data.look}
                hasMusic={isLarge}
                runId={table.runId ?? ""}
                isNow={table.isAtEnd}
                isBusy={table.isBusy}
                elapsed={elapsed}
                isAlone={isLarge}
                sounds={table.sounds}
                soundsAt={table.soundsAt}
                voice={makersVoice}
                onAction={(action) => table.act(action, elapsedNow())}
                onAgain={() => table.roll()}
              />
            </div>
          </Dressed>
        )}
      </div>
      {step && (
        <PlayerHelp
          table={table}
          pace={pace}
          hasClock={deadline !== undefined || step.table.clocks.length > 0}
          mostPlayers={mostPlayers}
          isLarge={isLarge}
          isNarrow={isNarrow}
          onLarge={onLarge}
          onNarrow={() => setIsNarrow(!isNarrow)}
          onPace={setPace}
          elapsedNow={elapsedNow}
        />
      )}
    </section>
  );
}
