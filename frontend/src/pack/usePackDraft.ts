import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Saving } from "../api/saving";
import { mayBeKept } from "../api/client";
import { addMedium } from "../api/packs";
import { Saves } from "../api/saves";
import { useSavedOnLeaving } from "../api/useSavedOnLeaving";
import type { PackSaved, RowFault } from "../api/schema";
import { Beside } from "./beside";
import { keys } from "../api/keys";

const PAUSE_MS = 300;

export type Row<Item> = { key: number; item: Item };
/** Some rows taken out at a row, and others put in there. */
export type RowsEdit<Item> = { row: number; remove: number; insert: Item[] };
/** Takes some rows out and puts others in. Edits with one `step` are undone together. */
export type Splice<Item> = (row: number, remove: number, insert: Item[], step?: string) => void;

type Held<Item> = { rows: Row<Item>[]; nextKey: number };
type Step<Item> = { name: string; back: RowsEdit<Item>[]; forth: RowsEdit<Item>[] };

/** What is edited, and how edits of it are sent. */
type Edited<Item> = {
  id: string;
  revision: number;
  items: Item[];
  faults: RowFault[];
  send: (packId: string, revision: number, edits: RowsEdit<Item>[], how: { isAgain: boolean; unseen: RowsEdit<Item>[] }) => Promise<PackSaved>;
};

/** What is told from tab to tab of this browser: which pack was saved, and as which revision. */
type Saved = { packId: string; revision: number };

const tabs = "BroadcastChannel" in window ? new BroadcastChannel("packs saved") : undefined;

/**
 * A pack as it is being edited: on screen at once, saved a moment later, every step undoable.
 * What is wrong in it is told by the server after each save, and what others changed meanwhile:
 * that is put in once nothing of one's own is on its way.
 */
export function usePackDraft<Item>(pack: Edited<Item>) {
  const queries = useQueryClient();
  /** The rows, and the key of the row that is put in next. */
  const [{ rows, nextKey }, setHeld] = useState<Held<Item>>(() => ({
    rows: pack.items.map((item, key) => ({ key, item })),
    nextKey: pack.items.length,
  }));
  const [faults, setFaults] = useState<RowFault[]>(pack.faults);
  const [saving, setSaving] = useState<Saving>({ is: "saved" });
  const [steps, setSteps] = useState<{ done: Step<Item>[]; undone: Step<Item>[] }>({ done: [], undone: [] });
  const newest = useRef({ rows, nextKey });
  const [beside] = useState(() => new Beside<Item>());
  const [hasMet, setHasMet] = useState(false);
  const [first] = useState(pack.revision);
  const { send } = pack;

  /** Makes edits of the rows; gives those that take them back. */
  const lay = useCallback((edits: RowsEdit<Item>[]): RowsEdit<Item>[] => {
    const next = [...newest.current.rows];
    let fresh = newest.current.nextKey;
    const back: RowsEdit<Item>[] = [];
    for (const { row, remove, insert } of edits) {
      const put = insert.map((item, place) => ({
        key: place < remove ? (next[row + place]?.key ?? fresh++) : fresh++,
        item,
      }));
      const gone = next.splice(row, remove, ...put);
      back.unshift({ row, remove: insert.length, insert: gone.map((old) => old.item) });
    }
    newest.current = { rows: next, nextKey: fresh };
    setHeld(newest.current);
    return back;
  }, []);

  /** Puts in what others changed. */
  const meet = useCallback(
    (theirs: RowsEdit<Item>[]) => {
      lay(theirs);
      setHasMet(true);
      // Rows stand elsewhere now than where the steps would put them back.
      setSteps({ done: [], undone: [] });
    },
    [lay],
  );

  const saves = useMemo(() => {
    const made: Saves<RowsEdit<Item>[]> = new Saves(first, {
      send: async (due, revision, { hasMore, isAgain }) => {
        const saved = await send(pack.id, revision, due, { isAgain, unseen: beside.unseen });
        beside.hear(saved.unseen as RowsEdit<Item>[], !hasMore());
        if (!hasMore()) setFaults(saved.faults);
        return saved.revision;
      },
      join: (due, next) => [...due, ...next],
      tell: (now) => {
        setSaving(now);
        if (now.is !== "saved") return;
        void queries.invalidateQueries({ queryKey: keys.packs() });
        void queries.invalidateQueries({ queryKey: keys.games() });
        tabs?.postMessage({ packId: pack.id, revision: made.revision } satisfies Saved);
      },
      mayBeKept,
      pauseMs: PAUSE_MS,
    });
    return made;
  }, [pack.id, first, queries, send, beside]);

  /** Looks for what was changed elsewhere, unless something is on its way, whose answer tells it. */
  const lookAgain = useCallback(async () => {
    const isDue = () => saves.isDue;
    if (isDue()) return;
    const saved = await send(pack.id, saves.revision, [], { isAgain: false, unseen: [] });
    if (isDue() || saved.revision <= saves.revision) return;
    saves.follow(saved.revision);
    beside.hear(saved.unseen as RowsEdit<Item>[], true);
    setFaults(saved.faults);
  }, [pack.id, saves, send, beside]);

  useEffect(() => beside.listen(meet), [beside, meet]);
  useEffect(() => {
    // What cannot be looked for now is told by the answer to the next save.
    const look = () => void lookAgain().catch(() => undefined);
    const hear = ({ data }: MessageEvent<Saved>) => {
      if (data.packId === pack.id && data.revision > saves.revision) look();
    };
    const see = () => !document.hidden && look();
    tabs?.addEventListener("message", hear);
    document.addEventListener("visibilitychange", see);
    return () => {
      tabs?.removeEventListener("message", hear);
      document.removeEventListener("visibilitychange", see);
    };
  }, [pack.id, saves, lookAgain]);

  const apply = useCallback(
    (edits: RowsEdit<Item>[]): RowsEdit<Item>[] => {
      const back = lay(edits);
      saves.put(edits);
      return back;
    },
    [lay, saves],
  );

  const edit = useCallback(
    (edits: RowsEdit<Item>[], name = "") => {
      const back = apply(edits);
      setSteps(({ done }) => {
        const last = done[done.length - 1];
        if (name && last?.name === name) {
          return { done: [...done.slice(0, -1), { ...last, forth: joined(last.forth, edits) }], undone: [] };
        }
        return { done: [...done, { name, back, forth: edits }], undone: [] };
      });
    },
    [apply],
  );

  const splice: Splice<Item> = useCallback(
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
    await addMedium(pack.id, file);
    await lookAgain();
    await queries.invalidateQueries({ queryKey: keys.preview(pack.id) });
  };

  useSavedOnLeaving(saves);

  return {
    rows,
    nextKey,
    /** A row as it is when this is called, and its number; undefined if it is gone. */
    rowOf: (key: number) => {
      const number = newest.current.rows.findIndex((row) => row.key === key);
      const item = newest.current.rows[number]?.item;
      return item === undefined ? undefined : { number, item };
    },
    faults,
    saving,
    /** Whether edits made elsewhere were put in. */
    hasMet,
    edit,
    splice,
    undo: steps.done.length ? undo : undefined,
    redo: steps.undone.length ? redo : undefined,
    retry: () => saves.flush(),
    bringMedium,
    /** The newest revision, once all is saved; undefined while something is not. */
    saved: saving.is === "saved" ? saves.revision : undefined,
    /** The newest revision, as it is when this is called. */
    revision: () => saves.revision,
    /** Takes rows out, given from the first to the last. */
    takeOut: (gone: number[]) => edit([...gone].reverse().map((row) => ({ row, remove: 1, insert: [] }))),
    /** Hears of a newer revision that something else made. */
    lookAgain,
  };
}

/** Edits that were made, and others that followed of the same cell: as they are made again at once. */
function joined<Item>(before: RowsEdit<Item>[], after: RowsEdit<Item>[]): RowsEdit<Item>[] {
  const [put, ...others] = before;
  const [changed] = after;
  const isNew = put?.remove === 0 && others.length === 0 && changed?.row === put.row && after.length === 1;
  return isNew ? [{ ...changed, remove: 0 }] : after;
}

/** What of a draft does not hang on what its rows are. */
export type PackDraft = Pick<
  ReturnType<typeof usePackDraft<unknown>>,
  "saving" | "saved" | "hasMet" | "undo" | "redo" | "retry" | "lookAgain"
>;
