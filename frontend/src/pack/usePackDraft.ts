import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Saving } from "../app/saving";
import { addMedium, editPack } from "../api/packs";
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
  const kept = useRef({ rows, revision: pack.revision, due: [] as PackEdit[], isOut: false });
  const timer = useRef<number>(undefined);

  const flush = useCallback(async () => {
    window.clearTimeout(timer.current);
    const draft = kept.current;
    if (draft.isOut) return;
    draft.isOut = true;
    try {
      while (draft.due.length > 0) {
        const sent = draft.due.length;
        const saved = await editPack(pack.id, draft.revision, draft.due);
        draft.due = draft.due.slice(sent);
        draft.revision = saved.revision;
        if (draft.due.length === 0) setFaults(saved.faults);
      }
      void queries.invalidateQueries({ queryKey: ["packs"] });
      void queries.invalidateQueries({ queryKey: ["games"] });
      setSaving({ is: "saved" });
    } catch (error) {
      setSaving({ is: "failed", error });
    } finally {
      draft.isOut = false;
    }
  }, [pack.id, queries]);

  const apply = useCallback(
    (edits: PackEdit[]): PackEdit[] => {
      const draft = kept.current;
      const next = [...draft.rows];
      const back: PackEdit[] = [];
      for (const { row, remove, insert } of edits) {
        const fresh = insert.map((question, place) => ({
          key: place < remove ? (next[row + place]?.key ?? nextKey.current++) : nextKey.current++,
          question,
        }));
        const gone = next.splice(row, remove, ...fresh);
        back.unshift({ row, remove: insert.length, insert: gone.map((old) => old.question) });
      }
      draft.rows = next;
      draft.due = [...draft.due, ...edits];
      setRows(next);
      setSaving({ is: "saving" });
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void flush(), PAUSE_MS);
      return back;
    },
    [flush],
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
    await flush();
    const { revision } = await addMedium(pack.id, file);
    kept.current.revision = revision;
    await queries.invalidateQueries({ queryKey: ["preview", pack.id] });
  };

  useEffect(() => () => void flush(), [flush]);

  return {
    rows,
    faults,
    saving,
    edit,
    splice,
    undo: steps.done.length ? undo : undefined,
    redo: steps.undone.length ? redo : undefined,
    retry: flush,
    bringMedium,
  };
}
