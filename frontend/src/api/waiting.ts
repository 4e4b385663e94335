import { useEffect, useState, useSyncExternalStore } from "react";
import { listeners } from "./listeners";

const SOON_MS = 80;

let calls = 0;
const { listen, tell } = listeners();

/** Counts calls of the server as they begin (1) and end (-1). */
export function countCall(by: 1 | -1) {
  calls += by;
  tell();
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
