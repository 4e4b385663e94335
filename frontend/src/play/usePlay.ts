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
  const [isAsking, setIsAsking] = useState(false);
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
    const fresh = () => startPlay(gameId, [""]);
    if (left) void take(showPlay(left).catch(fresh));
    else if (asksFirst) setIsAsking(true);
    else void take(fresh());
  }, [isReady, asksFirst, gameId, memory, take]);

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
    isAsking,
    start: (players: string[]) => {
      setIsAsking(false);
      void take(startPlay(gameId, players));
    },
    again: () => {
      if (!isBusy) void take(startPlay(gameId, run?.table.players.map(({ name }) => name) ?? [""]));
    },
  };
}
