import { useEffect, useState } from "react";
import type { Footprint, Stop } from "../../api/schema";

const STEP_MS = 170;

export type TokenView = { at: Stop | undefined; computed: Partial<Record<Stop, string>> };

/**
 * Where the die stands, and what each stop last computed. It walks through new footprints
 * one stop at a time, so that the eye can follow; with reduced motion it is there at once.
 */
export function useToken(runId: string | undefined, footprints: Footprint[], stops: Stop[]): TokenView {
  const [walked, setWalked] = useState({ runId, count: 0 });
  const count = walked.runId === runId ? walked.count : 0;
  const next = nextHalt(footprints, stops, count);

  useEffect(() => {
    if (count === footprints.length) return;
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const halt = still ? footprints.length : next;
    const timer = window.setTimeout(() => setWalked({ runId, count: halt }), still || count === 0 ? 0 : STEP_MS);
    return () => window.clearTimeout(timer);
  }, [runId, count, next, footprints.length]);

  const computed: Partial<Record<Stop, string>> = {};
  let at: Stop | undefined;
  for (const footprint of footprints.slice(0, count)) {
    if (footprint.what === "asked") computed.check = undefined; // that was of another question
    if (footprint.what === "begun") for (const stop of stops) if (stop !== "load") computed[stop] = undefined;
    if (!stops.includes(footprint.stop)) continue;
    at = footprint.stop;
    computed[at] = inShort(footprint);
  }
  return { at, computed };
}

/** How many footprints are walked when the die next comes to another stop of the strip. */
function nextHalt(footprints: Footprint[], stops: Stop[], from: number): number {
  let index = from;
  while (index < footprints.length && !stops.includes(footprints[index]?.stop ?? "open")) index += 1;
  const stop = footprints[index]?.stop;
  while (index < footprints.length && footprints[index]?.stop === stop) index += 1;
  return index;
}

function inShort({ changes, what, why, result }: Footprint): string {
  if (result) return result;
  if (what === "loaded" || what === "asked" || what === "answered") return what;
  const change = changes[0];
  if (!change) return why;
  return change.before === null ? `${change.name} ${change.after ?? ""}` : `${change.name} ${change.before} → ${change.after ?? ""}`;
}
