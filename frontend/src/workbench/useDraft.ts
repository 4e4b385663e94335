import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { saveGame } from "../api/games";
import type { Game, GameView } from "../api/schema";
import type { Saving } from "../app/saving";

const PAUSE_MS = 250;

/** Edits that follow one another faster than this are undone together. */
const ONE_EDIT_MS = 700;
const MOST_UNDONE = 500;

export type Edit = (change: (document: Game) => Game) => void;

/**
 * The document as its maker has it on screen, saved a moment after each edit. One save is
 * on its way at a time, and the newest document always follows; an edit that could not be
 * saved stays on screen and goes out with the next one, or when `retry` is called;
 * `discard` gives it up for the newest the server has.
 */
export function useDraft(game: GameView) {
  const queries = useQueryClient();
  const [document, setDocument] = useState(game.document);
  const [saving, setSaving] = useState<Saving>({ is: "saved" });
  const kept = useRef({ newest: game.document, revision: game.revision, isOut: false, isDue: false });
  const [undone, setUndone] = useState<{ past: Game[]; future: Game[] }>({ past: [], future: [] });
  const editedAt = useRef(-ONE_EDIT_MS);
  const timer = useRef<number>(undefined);

  const flush = useCallback(async () => {
    window.clearTimeout(timer.current);
    const draft = kept.current;
    if (draft.isOut) return;
    draft.isOut = true;
    try {
      while (draft.isDue) {
        draft.isDue = false;
        const view = await saveGame(game.id, draft.revision, draft.newest);
        draft.revision = view.revision;
        queries.setQueryData(["games", game.id], view);
      }
      void queries.invalidateQueries({ queryKey: ["games"], exact: true });
      setSaving({ is: "saved" });
    } catch (error) {
      draft.isDue = true;
      setSaving({ is: "failed", error });
    } finally {
      draft.isOut = false;
    }
  }, [game.id, queries]);

  const put = useCallback(
    (next: Game) => {
      const draft = kept.current;
      draft.newest = next;
      draft.isDue = true;
      setDocument(next);
      setSaving({ is: "saving" });
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void flush(), PAUSE_MS);
    },
    [flush],
  );

  const edit: Edit = useCallback(
    (change) => {
      const before = kept.current.newest;
      const now = performance.now();
      const isNew = now - editedAt.current > ONE_EDIT_MS;
      editedAt.current = now;
      setUndone(({ past }) => ({ past: isNew ? [...past.slice(-MOST_UNDONE), before] : past, future: [] }));
      put(change(before));
    },
    [put],
  );

  const undo = () => {
    const before = undone.past.at(-1);
    if (!before) return;
    editedAt.current = -ONE_EDIT_MS;
    setUndone({ past: undone.past.slice(0, -1), future: [kept.current.newest, ...undone.future] });
    put(before);
  };
  const redo = () => {
    const [after, ...future] = undone.future;
    if (!after) return;
    editedAt.current = -ONE_EDIT_MS;
    setUndone({ past: [...undone.past, kept.current.newest], future });
    put(after);
  };

  useEffect(() => {
    const leaving = (event: BeforeUnloadEvent) => {
      if (!kept.current.isDue && !kept.current.isOut) return;
      event.preventDefault();
      void flush();
    };
    window.addEventListener("beforeunload", leaving);
    return () => {
      window.removeEventListener("beforeunload", leaving);
      void flush();
    };
  }, [flush]);

  const discard = () => {
    kept.current.isDue = false;
    window.location.reload();
  };

  return {
    document,
    edit,
    saving,
    retry: flush,
    discard,
    undo: undone.past.length > 0 ? undo : undefined,
    redo: undone.future.length > 0 ? redo : undefined,
  };
}
