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

/** The bars whose keys are commands, with no modifier, while the focus is on them. */
const BAR = "[data-commands]";

/** The letter or sign of a key, also where Alt makes another sign of it. */
function keyOf(event: KeyboardEvent): string {
  const letter = /^Key([A-Z])$/.exec(event.code)?.[1];
  if (letter && (event.altKey || event.key.length > 1)) return letter;
  const plain: Record<string, string> = { Comma: ",", Period: ".", BracketLeft: "[", BracketRight: "]" };
  return (event.altKey && plain[event.code]) || event.key.toUpperCase();
}

/**
 * Runs an action when its key is pressed with Alt, anywhere but in a dialog, or alone while the focus is on a bar
 * of commands. A key pressed alone anywhere else is an answer, or a sign of a text: never a command.
 */
export function useCommands(actions: Record<string, (() => void) | undefined>) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.repeat || event.defaultPrevented) return;
    const target = event.target instanceof Element ? event.target : null;
    if (target?.closest("[role=dialog]")) return;
    if (!event.altKey && (!target?.closest(BAR) || target.closest(TYPING))) return;
    const action = actions[keyOf(event)];
    if (!action) return;
    event.preventDefault();
    action();
  });
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
