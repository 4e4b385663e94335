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

type Was = { runId: string; table: Table; isNow: boolean; played: Played; heardUpTo: number; last: CueShown[] };

/**
 * The cues the table has just come to, heard as they come. What a page finds on the table
 * when it first sees a run was played before, and a step gone back to plays nothing.
 */
export function useCues(table: Table, runId: string, isNow: boolean, sounds: string[], soundsAt: string): Played {
  const [was, setWas] = useState<Was>(() => ({ runId, table, isNow, played: NOTHING, ...heardIn(table) }));
  if (was.table !== table || was.runId !== runId || was.isNow !== isNow) {
    const isSame = was.runId === runId;
    const fresh = isSame && isNow ? table.cues.filter((cue) => isFresh(cue, was)) : [];
    const played = fresh.length
      ? { stamp: was.played.stamp + 1, cues: fresh, scoreBefore: was.table.score }
      : { ...was.played, ...(isSame && isNow && was.isNow && isStill(table, was.table) ? {} : { cues: [] }) };
    setWas({ runId, table, isNow, played, ...(isSame && !fresh.length ? { heardUpTo: was.heardUpTo, last: was.last } : heardIn(table)) });
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

/** Whether what was played with a table still belongs to it: an effect never stays over what comes after. */
function isStill(table: Table, before: Table): boolean {
  return table.phase === before.phase && table.question?.in_run === before.question?.in_run;
}

/** How far a run has been heard, by what is on its table. */
function heardIn(table: Table) {
  return { heardUpTo: Math.max(-1, ...table.cues.map((cue) => cue.at)), last: table.cues };
}

function isFresh(cue: CueShown, was: Was): boolean {
  if (cue.at !== was.heardUpTo) return cue.at > was.heardUpTo;
  return !was.last.some((old) => old.name === cue.name && old.at === cue.at);
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
