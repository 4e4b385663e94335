import { useEffect, useRef } from "react";

/**
 * Keeps the focus on the page: when what had it is removed or switched off by an action,
 * it goes to the element with this id instead of nowhere.
 */
export function useKeptFocus(id: string) {
  const last = useRef<Element>(undefined);
  useEffect(() => {
    const note = (event: FocusEvent) => {
      if (event.target instanceof Element) last.current = event.target;
    };
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, []);
  useEffect(() => {
    const had = last.current;
    if (!had || document.activeElement !== document.body) return;
    if (had.isConnected && !had.matches(":disabled")) return;
    last.current = undefined;
    document.getElementById(id)?.focus({ preventScroll: true });
  });
}
