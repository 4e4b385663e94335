import { useCallback, useEffect, useRef, useState } from "react";
import { detailsOf } from "../api/client";
import { sendPlayInput, showPlay, startPlay, type Action } from "../api/runs";
import type { PlayView } from "../api/schema";

const GONE_ON = 409;

/** A player's run. It is found again after a reload, until the browser's tab is closed. */
export function usePlay(gameId: string, isReady: boolean, asksFirst: boolean) {
  const [run, setRun] = useState<PlayView>();
  const [error, setError] = useState<unknown>();
  const [isBusy, setIsBusy] = useState(false);
  const [laid, setLaid] = useState(0);
  const [isNamed, setIsNamed] = useState(false);
  const memory = `run of ${gameId}`;
  const [left] = useState(() => sessionStorage.getItem(memory));

  const take = useCallback(
    async (call: Promise<PlayView>, from?: string) => {
      setIsBusy(true);
      try {
        const view = await call;
        sessionStorage.setItem(memory, view.id);
        setRun(view);
        setLaid((count) => count + 1);
        setError(undefined);
      } catch (failure) {
        setError(failure);
        if (from && detailsOf(failure).status === GONE_ON) setRun(await showPlay(from));
      } finally {
        setIsBusy(false);
      }
    },
    [memory],
  );

  const isStarted = useRef(false);
  useEffect(() => {
    if (!isReady || isStarted.current || (asksFirst && !left)) return;
    isStarted.current = true;
    const fresh = () => startPlay(gameId, [""]);
    void take(left ? showPlay(left).catch(fresh) : fresh());
  }, [isReady, asksFirst, gameId, left, take]);

  return {
    run,
    /** Changes with every view of the run, for the countdowns to begin anew. */
    laid,
    error,
    isBusy,
    act: (action: Action) => {
      if (run && !isBusy) void take(sendPlayInput(run.id, run.seen, action), run.id);
    },
    /** Asks what has come of the time that passed. */
    refresh: () => {
      if (run && !isBusy) void take(showPlay(run.id));
    },
    /** Whether the players are to say who they are first. */
    isAsking: isReady && asksFirst && !left && !isNamed && !run,
    start: (players: string[]) => {
      setIsNamed(true);
      void take(startPlay(gameId, players));
    },
    again: () => {
      if (!isBusy) void take(startPlay(gameId, run?.table.players.map(({ name }) => name) ?? [""]));
    },
  };
}
