import isSame from "fast-deep-equal";
import { useCallback, useEffect, useRef } from "react";
import { guessKind } from "../api/packs";
import type { Question } from "../api/schema";
import type { Splice } from "./usePackDraft";

const PAUSE_MS = 200;

type Draft = { rowOf: (key: number) => { number: number; item: Question } | undefined; splice: Splice<Question> };

/**
 * Has the kind of rows that are written here guessed from their cells, a moment after the last key. Rows that
 * were there before, and those whose kind was chosen, are left as they are.
 */
export function useKindGuess({ rowOf, splice }: Draft) {
  const begun = useRef(new Map<number, ReturnType<typeof setTimeout> | undefined>());
  useEffect(() => {
    const timers = begun.current;
    return () => {
      for (const timer of timers.values()) clearTimeout(timer);
    };
  }, []);
  const guess = useCallback(
    async (key: number) => {
      const asked = rowOf(key)?.item;
      if (!asked) return;
      const found = await guessKind(asked);
      const now = rowOf(key);
      if (!now || !begun.current.has(key) || !isSame(now.item, asked) || found.kind === asked.kind) return;
      splice(now.number, 1, [found], `${now.number} kind guessed`);
    },
    [rowOf, splice],
  );
  return {
    /** A row was begun here. */
    begin: (key: number) => void begun.current.set(key, undefined),
    /** The kind of a row was chosen, and is guessed no more. */
    choose: (key: number) => {
      clearTimeout(begun.current.get(key));
      begun.current.delete(key);
    },
    /** A cell of a row was changed. */
    changed: (key: number) => {
      if (!begun.current.has(key)) return;
      clearTimeout(begun.current.get(key));
      // Where the server cannot be reached the kind stays as it is; that nothing is saved is told elsewhere.
      const timer = setTimeout(() => void guess(key).catch(() => undefined), PAUSE_MS);
      begun.current.set(key, timer);
    },
  };
}
