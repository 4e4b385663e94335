import { useCallback, useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { sendInput, startRun, type Action } from "../api/runs";
import type { Footprint, RunView } from "../api/schema";

export type TableRun = {
  run: RunView | undefined;
  footprints: Footprint[];
  /** Why the run was started anew, if it was. */
  restarted: string | undefined;
  error: unknown;
  isBusy: boolean;
  dice: number | undefined;
  act: (action: Action) => void;
  /** Starts over with the same dice. */
  startOver: () => void;
  /** Starts with the dice given, or with new ones rolled. */
  roll: (dice?: number) => void;
};

type Laid = { run: RunView; footprints: Footprint[]; restarted?: string };

/**
 * The run on the maker's table. It starts anew, with the same dice, whenever the game has
 * a newer revision; the dice are kept in the page's address.
 */
export function useTableRun(gameId: string, revision: number): TableRun {
  const [search, setSearch] = useSearchParams();
  const typed = search.get("dice");
  const dice = typed !== null && /^\d{1,9}$/.test(typed) ? Number(typed) : undefined;
  const [laid, setLaid] = useState<Laid>();
  const [error, setError] = useState<unknown>();
  const [isBusy, setIsBusy] = useState(false);
  const turn = useRef(0);

  const lay = useCallback(
    async (wanted: number | undefined, isBegun: boolean, restarted?: string) => {
      const mine = ++turn.current;
      setIsBusy(true);
      try {
        let run = await startRun(gameId, wanted);
        let footprints = run.footprints;
        if (isBegun) {
          run = await sendInput(run.id, 0, { action: "begin" });
          footprints = [...footprints, ...run.footprints];
        }
        if (mine !== turn.current) return;
        setLaid({ run, footprints, restarted });
        setError(undefined);
        setSearch({ dice: String(run.dice) }, { replace: true });
      } catch (failure) {
        if (mine !== turn.current) return;
        setLaid(undefined);
        setError(failure);
      } finally {
        if (mine === turn.current) setIsBusy(false);
      }
    },
    [gameId, setSearch],
  );

  const laidRevision = laid?.run.revision;
  const isBegun = (laid?.run.seen ?? 0) > 0;
  const seenRevision = useRef<number>(undefined);
  useEffect(() => {
    if (seenRevision.current === revision) return;
    seenRevision.current = revision;
    const why = isBegun ? "The game changed, so it starts again with the same dice." : undefined;
    void lay(laid?.run.dice ?? dice, isBegun, why);
  }, [revision, laidRevision, isBegun, laid, dice, lay]);

  const act = async (action: Action) => {
    if (!laid || isBusy) return;
    const mine = ++turn.current;
    setIsBusy(true);
    try {
      const run = await sendInput(laid.run.id, laid.run.seen, action);
      if (mine !== turn.current) return;
      setLaid({ run, footprints: [...laid.footprints, ...run.footprints] });
      setError(undefined);
    } catch (failure) {
      if (mine === turn.current) setError(failure);
    } finally {
      if (mine === turn.current) setIsBusy(false);
    }
  };

  return {
    run: laid?.run,
    footprints: laid?.footprints ?? [],
    restarted: laid?.restarted,
    error,
    isBusy,
    dice: laid?.run.dice ?? dice,
    act: (action) => void act(action),
    startOver: () => void lay(laid?.run.dice ?? dice, isBegun),
    roll: (chosen) => void lay(chosen, isBegun),
  };
}
