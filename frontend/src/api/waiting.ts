import { useEffect, useState, useSyncExternalStore } from "react";
import { listeners } from "./listeners";

const SOON_MS = 80;

let calls = 0;
let queued = 0;
const { listen, tell } = listeners();

/** Counts calls of the server as they begin (1) and end (-1). */
export function countCall(by: 1 | -1) {
  calls += by;
  tell();
}

/** Counts calls as they begin to wait in the server's queue (1) and end to (-1). */
export function countQueued(by: 1 | -1) {
  queued += by;
  tell();
}

/** Whether the server has so many to answer that a call of this page waits in a queue. */
export function useIsQueued(): boolean {
  return useSyncExternalStore(listen, () => queued > 0);
}

/** Whether the server has been asked for something and has not answered soon. */
export function useIsWaiting(): boolean {
  const isCalling = useSyncExternalStore(listen, () => calls > 0);
  const [isLate, setIsLate] = useState(false);
  useEffect(() => {
    if (!isCalling) return;
    const timer = window.setTimeout(() => setIsLate(true), SOON_MS);
    return () => {
      window.clearTimeout(timer);
      setIsLate(false);
    };
  }, [isCalling]);
  return isLate;
}
