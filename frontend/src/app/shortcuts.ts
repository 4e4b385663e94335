import { useEffect, useEffectEvent } from "react";

const TYPING = "input, textarea, select, [contenteditable=true]";

type Actions = Record<string, (() => void) | undefined>;

/** Runs what is found for a key that is pressed, wherever on the page. */
function useKeys(find: (event: KeyboardEvent, target: Element | null) => (() => void) | undefined) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const action = find(event, event.target instanceof Element ? event.target : null);
    if (!action) return;
    event.preventDefault();
    action();
  });
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

/**
 * Runs an action when its key is pressed anywhere on the page. Never while typing in a
 * field, with a modifier held, in a dialog, or for Enter and Space on something that takes
 * them itself.
 */
export function useShortcuts(actions: Actions) {
  useKeys((event, target) => {
    if (event.ctrlKey || event.altKey || event.metaKey || event.repeat) return undefined;
    if (target?.closest(`${TYPING}, [role=dialog]`)) return undefined;
    const pressable = target?.closest("button, a, [role=radio], [role=switch]");
    if (pressable && (event.key === "Enter" || event.key === " ")) return undefined;
    return actions[event.key.length === 1 ? event.key.toUpperCase() : event.key];
  });
}

/** The bars whose keys are commands, with no modifier, while the focus is on them. */
const BAR = "[data-commands]";

/** The letter or character of a key, also where Alt makes another character of it. */
function keyOf(event: KeyboardEvent): string {
  const key = event.key.toUpperCase();
  // The character on the key is asked first, for letters stand elsewhere on other keyboards.
  if (!event.altKey || /^[A-Z,.?[\]]$/.test(key)) return key;
  const plain: Record<string, string> = { Comma: ",", Period: ".", BracketLeft: "[", BracketRight: "]" };
  return plain[event.code] ?? /^Key([A-Z])$/.exec(event.code)?.[1] ?? key;
}

/**
 * Runs an action when its key is pressed with Alt, anywhere but in a dialog, or alone while the focus is on a bar
 * of commands. A key pressed alone anywhere else is an answer, or a character of a text: never a command.
 */
export function useCommands(actions: Actions) {
  useKeys((event, target) => {
    if (event.ctrlKey || event.metaKey || event.repeat || event.defaultPrevented) return undefined;
    if (target?.closest("[role=dialog]")) return undefined;
    const isTyping = target?.closest(TYPING);
    if (!event.altKey && (!target?.closest(BAR) || isTyping)) return undefined;
    // Where Alt makes another character of a key, as it does on some keyboards, the character belongs to the field.
    if (isTyping && event.key.toUpperCase() !== keyOf(event)) return undefined;
    return actions[keyOf(event)];
  });
}
