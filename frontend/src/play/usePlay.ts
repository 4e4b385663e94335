import { useCallback, useEffect, useRef, useState } from "react";
import { detailsOf } from "../api/client";
import { sendPlayInput, showPlay, startPlay, type Action } from "../api/runs";
import type { PlayView } from "../api/schema";
import { playerKey } from "./playerKey";

const OUT_OF_REACH = 0;
const NOT_FOUND = 404;
const TRY_AGAIN_MS = 1500;

/** So much that was done while the server was still asked is kept to be sent after. */
const MOST_WAITING = 5;

type Call = () => Promise<PlayView>;

/**
 * A player's run. It is found again after a reload, in whichever tab; what was done while
 * the server was out of reach is sent once it is back.
 */
export function usePlay(gameId: string, isReady: boolean, asksFirst: boolean) {
  const [run, setRun] = useState<PlayView>();
  const [error, setError] = useState<unknown>();
  const [isBusy, setIsBusy] = useState(false);
  const [laid, setLaid] = useState({ count: 0, at: 0 });
  const [isNamed, setIsNamed] = useState(false);
  const memory = `run of ${gameId}`;
  const [left] = useState(() => localStorage.getItem(memory));
  /** Counts what was begun: what an older call gives is dropped. */
  const turn = useRef(0);

  const take = useCallback(
    async (call: Call, elseShow?: string) => {
      const mine = ++turn.current;
      const lay = (view: PlayView) => {
        if (mine !== turn.current) return;
        localStorage.setItem(memory, view.id);
        setRun(view);
        setLaid(({ count }) => ({ count: count + 1, at: performance.now() }));
      };
      setIsBusy(true);
      let taken: PlayView | undefined;
      for (;;) {
        try {
          taken = await call();
          lay(taken);
          setError(undefined);
          break;
        } catch (failure) {
          if (mine !== turn.current) return undefined;
          setError(failure);
          const { status } = detailsOf(failure);
          if (status !== OUT_OF_REACH) {
            if (elseShow && status !== NOT_FOUND) await showPlay(elseShow).then(lay, setError);
            break;
          }
          await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
          if (mine !== turn.current) return undefined;
        }
      }
      if (mine === turn.current) setIsBusy(false);
      return taken;
    },
    [memory],
  );

  const waiting = useRef<{ done: string; action: Action; at: number }[]>([]);
  const isSending = useRef(false);
  const sendAll = useCallback(
    async (from: PlayView) => {
      if (isSending.current) return;
      isSending.current = true;
      let { id, seen } = from;
      for (let next = waiting.current[0]; next; next = waiting.current[0]) {
        const { action, at } = next;
        const view = await take(() => sendPlayInput(id, seen, action, at), id);
        if (view) ({ id, seen } = view);
        waiting.current = view ? waiting.current.slice(1) : [];
      }
      isSending.current = false;
    },
    [take],
  );
  useEffect(() => {
    if (run && !isBusy && waiting.current.length > 0) void sendAll(run);
  }, [run, isBusy, sendAll]);

  const isStarted = useRef(false);
  useEffect(() => {
    if (!isReady || isStarted.current || (asksFirst && !left)) return;
    isStarted.current = true;
    const fresh = () => startPlay(gameId, [""], playerKey());
    const goOn = async (runId: string) => {
      const view = await showPlay(runId);
      return view.table.phase === "ended" && !asksFirst && !sessionStorage.getItem(memory) ? fresh() : view;
    };
    void take(() =>
      left
        ? goOn(left).catch((failure: unknown) => {
            if (detailsOf(failure).status === OUT_OF_REACH) throw failure;
            return fresh();
          })
        : fresh(),
    );
    sessionStorage.setItem(memory, "seen");
  }, [isReady, asksFirst, gameId, left, memory, take]);

  return {
    run,
    /** Changes with every view of the run, for the countdowns to begin anew. */
    laid: laid.count,
    error,
    isOutOfReach: error !== undefined && detailsOf(error).status === OUT_OF_REACH,
    isBusy,
    /** Takes an action; one done while the server is still asked is sent after. */
    act: (action: Action) => {
      if (!run) return;
      const at = Math.round(run.at + performance.now() - laid.at);
      const queue = waiting.current;
      const done = JSON.stringify(action);
      if (queue.length >= MOST_WAITING || queue.at(-1)?.done === done) return;
      queue.push({ done, action, at });
      if (queue.length === 1 && !isBusy) void sendAll(run);
    },
    /** Says that time has passed, for what it brings to be shown. */
    refresh: () => {
      if (!run || isBusy) return;
      const at = Math.round(run.at + performance.now() - laid.at);
      void take(() => sendPlayInput(run.id, run.seen, { action: "wait" }, at), run.id);
    },
    /** Whether the players are to say who they are first. */
    isAsking: isReady && asksFirst && !left && !isNamed && !run,
    start: (players: string[]) => {
      setIsNamed(true);
      void take(() => startPlay(gameId, players, playerKey()));
    },
    again: () => {
      const players = run?.table.players.map(({ name }) => name) ?? [""];
      if (!isBusy) void take(() => startPlay(gameId, players, playerKey()));
    },
  };
}
