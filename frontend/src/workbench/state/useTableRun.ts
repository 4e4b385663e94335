import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { diceIn, type Dice } from "../../api/dice";
import { keys } from "../../api/keys";
import { Line } from "../../api/line";
import { playOn, sendInput, showRun, startRun, type MakerAction } from "../../api/runs";
import type { Input, Intent, RunView, StepView } from "../../api/schema";
import { Turns } from "../../api/turns";
import { useLatest } from "../../api/useLatest";

export type TableRun = {
  runId: string | undefined;
  gameId: string;
  /** The version of the game that is played. */
  revision: number;
  steps: StepView[];
  /** The step on the table: the last one, or one gone back to. */
  shown: number;
  isAtEnd: boolean;
  /** Why the run was started anew, if it was. */
  restarted: string | undefined;
  error: unknown;
  isBusy: boolean;
  dice: Dice | undefined;
  players: number;
  /** The names of the sounds the run can play, and where they are found. */
  sounds: string[];
  soundsAt: string;
  /** Set while a player's run, or one of an older version, lies here to be looked at. */
  lookedAt: string | undefined;
  /** Takes an action, so many milliseconds after the last step. */
  act: (action: MakerAction, after: number) => void;
  /** Plays on for the player; null plays to the end. */
  answer: (intent: Intent, questions: number | null, after: number) => void;
  show: (step: number) => void;
  /** Goes on from the step shown, in a new run. */
  branch: () => void;
  /** Starts over with the same dice. */
  startOver: (players?: number) => void;
  /** Starts with the dice given, or with new ones rolled. */
  roll: (dice?: Dice) => void;
};

/** So much that was done while the server was still asked is kept to be sent after. */
const MAX_WAITING = 5;

/** A run that a player is playing is looked at again so often. */
const WATCHES_EVERY_MS = 2000;

/** What a run laid on the table begins with, and why it is laid anew. */
type First = { inputs: Input[]; restarted?: string };

const BEGUN: Input[] = [{ action: { action: "begin" }, at: 0 }];

type Laid = { run: RunView; steps: StepView[]; shown?: number; restarted?: string; lookedAt?: string };

/**
 * The run on the maker's table, step by step. It starts anew, with the same dice, whenever
 * the game has a newer revision; dice and run are kept in the page's address.
 */
export function useTableRun(gameId: string, revision: number): TableRun {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const dice = diceIn(search.get("dice"));
  const wantedRun = useRef(search.get("run"));
  const wantedStep = useRef(search.has("step") ? Number(search.get("step")) : undefined);
  const [kept, setLaid] = useState<Laid>();
  const [error, setError] = useState<unknown>();
  const { latest, isBusy } = useLatest();
  /** What lies on the table, known before the page has drawn it. */
  const newest = useRef<Laid>(undefined);
  const [players, setPlayers] = useState(1);
  /** Runs are laid and gone on with one after the other: what is pressed while one is laid goes to that
   * one, and one is laid only once what was pressed before it is known. */
  const [line] = useState(() => new Line());
  const wanted = useRef(0);

  const take = useCallback(
    (call: () => Promise<Laid>, isFresh: boolean) =>
      latest(async () => {
        try {
          const next = await call();
          newest.current = next;
          setLaid(next);
          setError(undefined);
          return next;
        } catch (failure) {
          if (isFresh) {
            newest.current = undefined;
            setLaid(undefined);
          }
          setError(failure);
          return undefined;
        }
      }),
    [latest],
  );

  const lay = useCallback(
    async (under: Dice | undefined, count: number, first: (isBegun: boolean) => First) => {
      const mine = ++wanted.current;
      const names = count === 1 ? ["Player"] : Array.from({ length: count }, (_, n) => `Player ${n + 1}`);
      const next = await line.next(async () => {
        if (mine !== wanted.current) return undefined;
        const { inputs, restarted } = first((newest.current?.run.seen ?? 0) > 0);
        return take(async () => {
          const run = await startRun(gameId, under, names, inputs);
          return { run, steps: run.steps, restarted };
        }, true);
      });
      if (!next) return;
      // Asked of the address itself: the maker may have gone to another bench meanwhile.
      const { pathname, search: now } = window.location;
      if (pathname.split("/")[2] !== gameId) return;
      const address = new URLSearchParams(now);
      address.set("dice", String(next.run.dice));
      address.set("run", next.run.id);
      address.delete("step");
      void navigate({ pathname, search: address.toString() }, { replace: true });
    },
    [gameId, navigate, take, line],
  );

  const watched = kept?.lookedAt !== undefined && kept.run.is_players && !isOver(kept.run) ? kept.run.id : undefined;
  const seen = useQuery({
    queryKey: keys.watchedRun(watched),
    queryFn: () => showRun(watched ?? ""),
    enabled: watched !== undefined,
    refetchInterval: (query) => (query.state.data && isOver(query.state.data) ? false : WATCHES_EVERY_MS),
  });
  const laid = goneOn(kept, seen.data);
  const laidDice = laid?.run.dice ?? dice;
  const seenRevision = useRef<number>(undefined);
  useEffect(() => {
    if (seenRevision.current === revision) return;
    seenRevision.current = revision;
    const left = wantedRun.current;
    wantedRun.current = null;
    const fresh = () =>
      void lay(laidDice, players, (isBegun) =>
        isBegun ? { inputs: BEGUN, restarted: "The game changed, so it starts again with the same dice." } : { inputs: [] },
      );
    if (left === null) {
      fresh();
      return;
    }
    void showRun(left).then(
      (run) => {
        const isUnused = run.seen === 0 && run.revision !== revision;
        if (run.game_id !== gameId || isUnused) {
          fresh();
          return;
        }
        setPlayers(run.players.length);
        const step = wantedStep.current;
        newest.current = { run, steps: run.steps, lookedAt: reasonToLook(run, revision), ...(step !== undefined && { shown: step }) };
        setLaid(newest.current);
      },
      () => fresh(),
    );
  }, [revision, laidDice, players, lay, gameId]);

  const steps = laid?.steps ?? [];
  const last = steps.length - 1;
  const show = useCallback(
    (step: number) => setLaid((now) => now && { ...now, shown: step >= last ? undefined : Math.max(0, step) }),
    [last],
  );
  const shown = Math.min(laid?.shown ?? last, last);
  const isAtEnd = shown === last && !laid?.lookedAt;
  const lastAt = steps[last]?.at ?? 0;
  const [turns] = useState(() => new Turns<Laid>(MAX_WAITING));
  const goOn = (done: string, after: number, send: (run: RunView, at: number) => Promise<RunView>) => {
    if (!laid || !isAtEnd) return;
    const pressed = laid.run.id;
    const isKept = turns.push(done, ({ run, steps: before }) =>
      take(async () => {
        // Of a run laid since it was pressed, the time before is none of it.
        const at = run.id === pressed ? lastAt + after : (before.at(-1)?.at ?? 0);
        const made = await send(run, Math.round(at));
        return { run: made, steps: [...before, ...made.steps] };
      }, false),
    );
    if (isKept) void line.next(() => turns.sendAll(() => newest.current));
  };

  return {
    runId: laid?.run.id,
    gameId,
    revision: laid?.run.revision ?? revision,
    steps,
    shown,
    isAtEnd,
    restarted: laid?.restarted,
    error: error ?? seen.error ?? undefined,
    isBusy,
    dice: laidDice,
    players,
    sounds: laid?.run.sounds ?? [],
    soundsAt: `/api/sounds/games/${gameId}/${laid?.run.revision ?? revision}`,
    lookedAt: laid?.lookedAt,
    act: (action, after) => {
      if (action.action === "wait" && isBusy) return;
      goOn(JSON.stringify(action), after, (run, at) => sendInput(run.id, run.seen, action, at));
    },
    answer: (intent, questions, after) =>
      goOn(`${intent} ${questions ?? "all"} ${shown}`, after, (run, at) => playOn(run.id, run.seen, at, intent, questions)),
    show,
    branch: () => void lay(laidDice, players, () => ({ inputs: inputsUpTo(steps, shown) })),
    startOver: (count = players) => {
      setPlayers(count);
      void lay(laidDice, count, (isBegun) => ({ inputs: isBegun && count === players ? BEGUN : [] }));
    },
    roll: (chosen) => void lay(chosen, players, (isBegun) => ({ inputs: isBegun ? BEGUN : [] })),
  };
}

function isOver(run: RunView): boolean {
  return run.steps.at(-1)?.table.phase === "ended";
}

/** What lies on the table, gone on as a player has been seen to play. */
function goneOn(laid: Laid | undefined, seen: RunView | undefined): Laid | undefined {
  const isNews = laid && seen?.id === laid.run.id && seen.seen > laid.run.seen;
  return isNews ? { ...laid, run: seen, steps: seen.steps } : laid;
}

/** Why a run is only looked at: it is a player's, or was played on another version. */
function reasonToLook(run: RunView, revision: number): string | undefined {
  const who = run.is_players ? `${run.players.join(" and ")} played this` : "This was played";
  if (run.revision !== revision) return `${who} on version ${run.revision} of the game.`;
  return run.is_players ? `${who}.` : undefined;
}

function inputsUpTo(steps: StepView[], shown: number): Input[] {
  return steps.slice(1, shown + 1).flatMap(({ action, at }) => (action ? [{ action, at }] : []));
}
