import { useCallback, useEffect, useRef, useState } from "react";
import { detailsOf } from "../api/client";
import { sendPlayInput, showPlay, startPlay, type Action } from "../api/runs";
import type { PlayView } from "../api/schema";

const GONE_ON = 409;

/** A player's run. It is found again after a reload, until the browser's tab is closed. */
export function usePlay(gameId: string, isReady: boolean) {
  const [run, setRun] = useState<PlayView>();
  const [error, setError] = useState<unknown>();
  const [isBusy, setIsBusy] = useState(false);
  const [laid, setLaid] = useState(0);
  const memory = `run of ${gameId}`;

  const take = useCallback(
    async (call: Promise<PlayView>, left?: string) => {
      setIsBusy(true);
      try {
        const view = await call;
        sessionStorage.setItem(memory, view.id);
        setRun(view);
        setLaid((count) => count + 1);
        setError(undefined);
      } catch (failure) {
        setError(failure);
        if (left && detailsOf(failure).status === GONE_ON) setRun(await showPlay(left));
      } finally {
        setIsBusy(false);
      }
    },
    [memory],
  );

  const isStarted = useRef(false);
  useEffect(() => {
    if (!isReady || isStarted.current) return;
    isStarted.current = true;
    const left = sessionStorage.getItem(memory);
    const fresh = () => startPlay(gameId, "");
    void take(left ? showPlay(left).catch(fresh) : fresh());
  }, [isReady, gameId, memory, take]);

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
    again: () => {
      if (!isBusy) void take(startPlay(gameId, ""));
    },
  };
}
