import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useMemo, useRef, useState } from "react";
import { saveGame } from "../../api/games";
import { Saves } from "../../api/saves";
import { useSavedOnLeaving } from "../../api/useSavedOnLeaving";
import type { Game, GameView } from "../../api/schema";
import type { Saving } from "../../api/saving";

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
  const newest = useRef(game.document);
  const [undone, setUndone] = useState<{ past: Game[]; future: Game[] }>({ past: [], future: [] });
  const editedAt = useRef(-ONE_EDIT_MS);

  const [first] = useState(game.revision);
  const saves = useMemo(
    () =>
      new Saves<Game>(first, {
        send: async (due, revision) => {
          const view = await saveGame(game.id, revision, due);
          queries.setQueryData(["games", game.id], view);
          return view.revision;
        },
        join: (_, next) => next,
        tell: (now) => {
          setSaving(now);
          if (now.is === "saved") void queries.invalidateQueries({ queryKey: ["games"], exact: true });
        },
        pauseMs: PAUSE_MS,
      }),
    [game.id, first, queries],
  );

  const put = useCallback(
    (next: Game) => {
      newest.current = next;
      setDocument(next);
      saves.put(next);
    },
    [saves],
  );

  const edit: Edit = useCallback(
    (change) => {
      const before = newest.current;
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
    setUndone({ past: undone.past.slice(0, -1), future: [newest.current, ...undone.future] });
    put(before);
  };
  const redo = () => {
    const [after, ...future] = undone.future;
    if (!after) return;
    editedAt.current = -ONE_EDIT_MS;
    setUndone({ past: [...undone.past, newest.current], future });
    put(after);
  };

  useSavedOnLeaving(saves);

  const discard = () => {
    saves.forget();
    window.location.reload();
  };

  return {
    document,
    edit,
    saving,
    retry: () => saves.flush(),
    discard,
    undo: undone.past.length > 0 ? undo : undefined,
    redo: undone.future.length > 0 ? redo : undefined,
  };
}
