import { useCallback, useEffect, useRef, useState } from "react";
import type { Table } from "../api/schema";

const TICK_MS = 100;
const ASK_AGAIN_MS = 1000;

export type Pace = {
  /** How many times as fast as the day the clock runs. */
  speed: number;
  isHeld: boolean;
};

/** The clock as players have it. */
export const REAL_TIME: Pace = { speed: 1, isHeld: false };

/**
 * The time since a table was laid, as its countdowns see it; `stamp` changes with every
 * table. Once the first countdown, or a timed hold, has run out, `onEnd` is called with
 * its length, every second until another table is laid: what follows the server says.
 */
export function useCountdown(stamp: string, table: Table | undefined, pace: Pace, onEnd: (deadline: number) => void) {
  const [elapsed, setElapsed] = useState({ stamp, ms: 0 });
  const spent = useRef({ ms: 0, since: 0 });
  const whenEnded = useRef(onEnd);
  useEffect(() => {
    whenEnded.current = onEnd;
  });
  const deadline = deadlineOf(table);
  const { speed, isHeld } = pace;

  useEffect(() => {
    spent.current = { ms: 0, since: performance.now() };
  }, [stamp]);

  useEffect(() => {
    const clock = spent.current;
    clock.since = performance.now();
    if (isHeld) return;
    let askedAt = -ASK_AGAIN_MS;
    const timer = window.setInterval(() => {
      const now = performance.now();
      clock.ms += (now - clock.since) * speed;
      clock.since = now;
      if (deadline === undefined) return;
      setElapsed({ stamp, ms: Math.min(clock.ms, deadline) });
      if (clock.ms < deadline || now - askedAt < ASK_AGAIN_MS) return;
      askedAt = now;
      whenEnded.current(deadline);
    }, TICK_MS);
    return () => window.clearInterval(timer);
  }, [stamp, deadline, isHeld, speed]);

  const elapsedNow = useCallback(() => {
    const clock = spent.current;
    return clock.ms + (isHeld ? 0 : (performance.now() - clock.since) * speed);
  }, [isHeld, speed]);

  return { elapsed: elapsed.stamp === stamp ? elapsed.ms : 0, elapsedNow, deadline };
}

function deadlineOf(table: Table | undefined): number | undefined {
  if (!table) return undefined;
  if (table.phase === "holding") return table.hold ?? undefined;
  if (table.lead > 0) return table.lead;
  if (!table.clocks_run || table.clocks.length === 0) return undefined;
  return Math.min(...table.clocks.map((clock) => clock.left));
}
