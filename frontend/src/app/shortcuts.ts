import { useEffect, useEffectEvent } from "react";

const TYPING = "input, textarea, select, [contenteditable=true]";

/**
 * Runs an action when its key is pressed anywhere on the page. Never while typing in a
 * field, with a modifier held, in a dialog, or for Enter and Space on something that takes
 * them itself.
 */
export function useShortcuts(actions: Record<string, (() => void) | undefined>) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.altKey || event.metaKey || event.repeat) return;
    const target = event.target instanceof Element ? event.target : null;
    if (target?.closest(`${TYPING}, [role=dialog]`)) return;
    const pressable = target?.closest("button, a, [role=radio], [role=switch]");
    if (pressable && (event.key === "Enter" || event.key === " ")) return;
    const action = actions[event.key.length === 1 ? event.key.toUpperCase() : event.key];
    if (!action) return;
    event.preventDefault();
    action();
  });
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
