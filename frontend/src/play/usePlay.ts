import { useCallback, useEffect, useRef, useState } from "react";
import { detailsOf } from "../api/client";
import { sendPlayInput, showPlay, startPlay, type Action } from "../api/runs";
import type { PlayView } from "../api/schema";
import { Turns } from "../api/turns";
import { useLatest } from "../api/useLatest";
import { playerKey } from "./playerKey";

const OUT_OF_REACH = 0;
const NOT_FOUND = 404;
const TRY_AGAIN_MS = 1500;

/** So much that was done while the server was still asked is kept to be sent after. */
const MAX_WAITING = 5;

type Call = () => Promise<PlayView>;

/**
 * A player's run. One that was begun goes on as it began, also where the game cannot be begun by now. It is found again after a reload, in whichever tab; what was done while
 * the server was out of reach is sent once it is back.
 */
export function usePlay(gameId: string, isKnown: boolean, isRefused: boolean, asksFirst: boolean) {
  const [run, setRun] = useState<PlayView>();
  const [error, setError] = useState<unknown>();
  const { latest, isBusy } = useLatest();
  /** The run as it was last told, known before the page has drawn it. */
  const newest = useRef<PlayView>(undefined);
  const [laid, setLaid] = useState({ count: 0, at: 0 });
  const memory = `run of ${gameId}`;
  const [left] = useState(() => localStorage.getItem(memory));
  /** Set once the players have said who they are, or are to say it anew. */
  const [isNaming, setIsNaming] = useState<boolean>();
  const isReady = isKnown || (isRefused && left !== null);

  /** Asks again until the server answers; what it refuses is told, over the run as it now is. */
  const take = useCallback(
    (call: Call, elseShow?: string) =>
      latest(async (isLatest) => {
        const lay = (view: PlayView) => {
          if (!isLatest()) return;
          localStorage.setItem(memory, view.id);
          newest.current = view;
          setRun(view);
          setLaid(({ count }) => ({ count: count + 1, at: performance.now() }));
        };
        for (;;) {
          try {
            const view = await call();
            lay(view);
            setError(undefined);
            return view;
          } catch (failure) {
            if (!isLatest()) return undefined;
            setError(failure);
            const { status } = detailsOf(failure);
            if (status !== OUT_OF_REACH) {
              if (elseShow && status !== NOT_FOUND) await showPlay(elseShow).then(lay, setError);
              return undefined;
            }
            await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS));
            if (!isLatest()) return undefined;
          }
        }
      }),
    [latest, memory],
  );

  const [turns] = useState(() => new Turns<PlayView>(MAX_WAITING));
  /** Sends an action after all that was done before it, on top of the run as it then is. */
  const send = (action: Action) => {
    if (!run) return;
    const at = Math.round(run.at + performance.now() - laid.at);
    const isKept = turns.push(JSON.stringify(action), ({ id, seen }) => take(() => sendPlayInput(id, seen, action, at), id));
    if (isKept) void turns.sendAll(() => newest.current);
  };

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
            // A run that is gone is begun anew, where the game can be.
            if (detailsOf(failure).status === OUT_OF_REACH || isRefused || asksFirst) throw failure;
            return fresh();
          })
        : fresh(),
    ).then((view) => {
      if (!view && asksFirst) setIsNaming(true);
    });
    sessionStorage.setItem(memory, "seen");
  }, [isReady, isRefused, asksFirst, gameId, left, memory, take]);

  const begin = (players: string[]) => {
    if (!run) {
      void take(() => startPlay(gameId, players, playerKey()));
      return;
    }
    if (turns.push("again", () => take(() => startPlay(gameId, players, playerKey())))) void turns.sendAll(() => newest.current);
  };

  return {
    run,
    /** Changes with every view of the run, for the countdowns to begin anew. */
    laid: laid.count,
    error,
    isOutOfReach: error !== undefined && detailsOf(error).status === OUT_OF_REACH,
    isBusy,
    /** Takes an action; one done while the server is still asked is sent after. */
    act: send,
    /** Says that time has passed, for what it brings to be shown. */
    refresh: () => {
      if (turns.isEmpty && !isBusy) send({ action: "wait" });
    },
    /** Whether the players are to say who they are first. */
    isAsking: isKnown && asksFirst && (isNaming ?? (!left && !run)),
    start: (players: string[]) => {
      setIsNaming(false);
      begin(players);
    },
    /** Begins anew; the players say first who they are, where the game wants to know. */
    again: () => {
      if (asksFirst && isKnown) setIsNaming(true);
      else begin(run?.table.players.map(({ name }) => name) ?? [""]);
    },
    /** Begins anew with the same players. */
    anew: () => begin(run?.table.players.map(({ name }) => name) ?? [""]),
    /** Has the players say anew who they are. */
    rename: () => setIsNaming(true),
    /** Goes on with the run there is. */
    keepOn: () => setIsNaming(false),
  };
}

export type Play = ReturnType<typeof usePlay>;
