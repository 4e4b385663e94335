import { useEffect, useRef, useState } from "react";
import type { CueShown, Table } from "../api/schema";
import { hear, prepare } from "./hearing";

/** Cues that begin to play; `stamp` tells one time from another. */
export type Played = { stamp: number; cues: CueShown[]; scoreBefore: number };

const NOTHING: Played = { stamp: 0, cues: [], scoreBefore: 0 };

/** After this nothing of a cue's effect is left to see. */
const LASTS_MS = 1400;

/** The cues that play, as long as there is anything of them to see. */
export function useSeen(played: Played): Played {
  const [over, setOver] = useState<number>();
  const { stamp } = played;
  useEffect(() => {
    const timer = window.setTimeout(() => setOver(stamp), LASTS_MS);
    return () => window.clearTimeout(timer);
  }, [stamp]);
  return over === stamp ? NOTHING : played;
}

type Was = { runId: string; table: Table; played: Played };

/**
 * The cues the table has just come to, heard as they come. What a page finds on the table
 * when it first sees a run was played before.
 */
export function useCues(table: Table, runId: string, sounds: string[], soundsAt: string): Played {
  const [was, setWas] = useState<Was>({ runId, table, played: NOTHING });
  if (was.table !== table || was.runId !== runId) {
    const before = was.runId === runId ? was.table.cues : table.cues;
    const fresh = table.cues.filter((cue) => !before.some((old) => old.name === cue.name && old.at === cue.at));
    const played = fresh.length
      ? { stamp: was.played.stamp + 1, cues: fresh, scoreBefore: was.table.score }
      : was.runId === runId
        ? was.played
        : NOTHING;
    setWas({ runId, table, played });
  }
  const addresses = sounds.map((name) => addressOf(soundsAt, name)).join("\n");
  useEffect(() => {
    for (const address of addresses ? addresses.split("\n") : []) void prepare(address);
  }, [addresses]);
  const { played } = was;
  useEffect(() => {
    for (const cue of played.cues) if (cue.sound) hear(addressOf(soundsAt, cue.sound));
  }, [played, soundsAt]);
  return played;
}

/** Plays the ticks of the last seconds of whichever countdown ends first. */
export function useTicks(table: Table, elapsed: number, soundsAt: string): Played {
  const left = table.clocks_run && table.clocks.length ? Math.min(...table.clocks.map((clock) => clock.left)) - elapsed : undefined;
  const second = left === undefined || left <= 0 ? undefined : Math.ceil(left / 1000);
  const cues = second === undefined ? [] : table.ticks.filter((tick) => second <= tick.last_seconds).map(({ cue }) => cue);
  const ticking = useRef(cues);
  useEffect(() => {
    ticking.current = cues;
  });
  useEffect(() => {
    if (second === undefined) return;
    for (const cue of ticking.current) if (cue.sound) hear(addressOf(soundsAt, cue.sound));
  }, [second, soundsAt]);
  return { stamp: -(second ?? 0), cues, scoreBefore: table.score };
}

/** Where a sound of a game is found. */
export function addressOf(soundsAt: string, name: string): string {
  return `${soundsAt}/${encodeURIComponent(name)}`;
}
