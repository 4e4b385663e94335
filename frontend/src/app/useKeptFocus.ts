import { useEffect, useRef } from "react";

/**
 * Keeps the focus on the page: when something within an element marked `data-keeps-focus`
 * had it and is removed or switched off, it goes to the element with this id, not nowhere.
 */
export function useKeptFocus(id: string) {
  const last = useRef<Element>(undefined);
  useEffect(() => {
    const note = (event: FocusEvent) => {
      const target = event.target instanceof Element ? event.target : undefined;
      last.current = target?.closest("[data-keeps-focus]") ? target : undefined;
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
