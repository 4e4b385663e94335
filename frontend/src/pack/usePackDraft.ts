import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Saving } from "../api/saving";
import { addMedium, editPack } from "../api/packs";
import { Saves } from "../api/saves";
import type { PackEdit, PackView, Question, RowFault } from "../api/schema";

const PAUSE_MS = 300;

export type Row = { key: number; question: Question };
/** Takes some rows out and puts others in. Edits with one `step` are undone together. */
export type Splice = (row: number, remove: number, insert: Question[], step?: string) => void;

type Step = { name: string; back: PackEdit[]; forth: PackEdit[] };

/**
 * A pack as it is being edited: on screen at once, saved a moment later, every step undoable.
 * What is wrong in it is told by the server after each save.
 */
export function usePackDraft(pack: PackView) {
  const queries = useQueryClient();
  const nextKey = useRef(pack.questions.length);
  const [rows, setRows] = useState<Row[]>(() =>
    pack.questions.map((question, key) => ({ key, question })),
  );
  const [faults, setFaults] = useState<RowFault[]>(pack.faults);
  const [saving, setSaving] = useState<Saving>({ is: "saved" });
  const [steps, setSteps] = useState<{ done: Step[]; undone: Step[] }>({ done: [], undone: [] });
  const newest = useRef(rows);
  const [first] = useState(pack.revision);

  const saves = useMemo(
    () =>
      new Saves<PackEdit[]>(first, {
        send: async (due, revision, hasMore) => {
          const saved = await editPack(pack.id, revision, due);
          if (!hasMore()) setFaults(saved.faults);
          return saved.revision;
        },
        join: (due, next) => [...due, ...next],
        tell: (now) => {
          setSaving(now);
          if (now.is !== "saved") return;
          void queries.invalidateQueries({ queryKey: ["packs"] });
          void queries.invalidateQueries({ queryKey: ["games"] });
        },
        pauseMs: PAUSE_MS,
      }),
    [pack.id, first, queries],
  );

  const apply = useCallback(
    (edits: PackEdit[]): PackEdit[] => {
      const next = [...newest.current];
      const back: PackEdit[] = [];
      for (const { row, remove, insert } of edits) {
        const fresh = insert.map((question, place) => ({
          key: place < remove ? (next[row + place]?.key ?? nextKey.current++) : nextKey.current++,
          question,
        }));
        const gone = next.splice(row, remove, ...fresh);
        back.unshift({ row, remove: insert.length, insert: gone.map((old) => old.question) });
      }
      newest.current = next;
      setRows(next);
      saves.put(edits);
      return back;
    },
    [saves],
  );

  const edit = useCallback(
    (edits: PackEdit[], name = "") => {
      const back = apply(edits);
      setSteps(({ done }) => {
        const last = done[done.length - 1];
        if (name && last?.name === name) {
          return { done: [...done.slice(0, -1), { ...last, forth: edits }], undone: [] };
        }
        return { done: [...done, { name, back, forth: edits }], undone: [] };
      });
    },
    [apply],
  );

  const splice: Splice = useCallback(
    (row, remove, insert, step) => edit([{ row, remove, insert }], step),
    [edit],
  );

  const undo = () => {
    const step = steps.done[steps.done.length - 1];
    if (!step) return;
    apply(step.back);
    setSteps({ done: steps.done.slice(0, -1), undone: [...steps.undone, step] });
  };
  const redo = () => {
    const step = steps.undone[steps.undone.length - 1];
    if (!step) return;
    apply(step.forth);
    setSteps({ done: [...steps.done, step], undone: steps.undone.slice(0, -1) });
  };

  const bringMedium = async (file: File) => {
    await saves.flush();
    saves.follow((await addMedium(pack.id, file)).revision);
    await queries.invalidateQueries({ queryKey: ["preview", pack.id] });
  };

  useEffect(() => () => void saves.flush(), [saves]);

  return {
    rows,
    faults,
    saving,
    edit,
    splice,
    undo: steps.done.length ? undo : undefined,
    redo: steps.undone.length ? redo : undefined,
    retry: () => saves.flush(),
    bringMedium,
  };
}
