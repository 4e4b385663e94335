import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { changeColumns, editFacts } from "../api/packs";
import { SAVED_WORDS } from "../api/saving";
import type { Column, PackView } from "../api/schema";
import { counted } from "../app/format";
import { useShortcuts } from "../app/shortcuts";
import { Button } from "../ui/Button";
import { Die } from "../ui/Die";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice } from "../ui/Notice";
import { SaveFailure } from "../ui/SaveFailure";
import { AboutPack } from "./AboutPack";
import { ColumnNames } from "./ColumnNames";
import { factColumns } from "./columns";
import { Grid } from "./Grid";
import { MoveOut } from "./MoveOut";
import { usePackDraft } from "./usePackDraft";
import type { Sorting } from "./useShownRows";

type EditingFactsProps = { pack: PackView; onAnew: () => void };

const NO_FAULTS = new Map<number, never>();

/** A table of facts, edited in place: its cells, its rows, its columns. */
export function EditingFacts({ pack, onAnew }: EditingFactsProps) {
  const queries = useQueryClient();
  const draft = usePackDraft({ ...pack, items: pack.rows, send: editFacts });
  const [columns] = useState(() => factColumns(pack.columns, pack.rows));
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [current, setCurrent] = useState(0);
  const [title, setTitle] = useState(pack.title);
  const [sorting, setSorting] = useState<Sorting>();
  useShortcuts({ U: draft.undo, R: draft.redo });
  const chosenRows = draft.rows.flatMap(({ key }, row) => (chosen.has(key) ? [row] : []));
  const turn = useMutation({
    mutationFn: (wanted: Column[]) => changeColumns(pack.id, draft.revision(), wanted),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["packs"] });
      await queries.invalidateQueries({ queryKey: ["games"] });
      onAnew();
    },
  });
  const revision = draft.saving.is === "saved" ? draft.revision() : undefined;
  const bring = useMutation({ mutationFn: draft.bringMedium });
  const shown = draft.rows.map((_, row) => row);
  const sorter = columns.find(({ id }) => id === sorting?.column);
  if (sorter) {
    const text = (row: number) => sorter.read(draft.rows[row]?.item ?? []);
    shown.sort((one, other) => text(one).localeCompare(text(other), undefined, { numeric: true }));
    if (sorting?.isDown) shown.reverse();
  }
  return (
    <div className="flex h-full min-h-160 flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-card px-4 py-1.5">
        <Link to="/" aria-label="Back to the shelf" className="rounded-md">
          <Die className="size-8" />
        </Link>
        <h1 className="text-2xl">{title}</h1>
        <p className="text-soft">
          {counted(draft.rows.length, "row")} of facts, {counted(pack.columns.length, "column")}
        </p>
        <p role="status" className="ml-auto">
          {SAVED_WORDS[draft.saving.is]}
        </p>
        <Button disabled={!draft.undo} onClick={draft.undo}>
          Undo
        </Button>
        <Button disabled={!draft.redo} onClick={draft.redo}>
          Redo
        </Button>
        <Button
          look="main"
          onClick={() => {
            draft.splice(draft.rows.length, 0, [pack.columns.map(() => "")]);
            setCurrent(draft.rows.length);
          }}
        >
          Add a row
        </Button>
      </header>
      {draft.saving.is === "failed" && (
        <SaveFailure
          error={draft.saving.error}
          onRetry={() => void draft.retry()}
          onDiscard={() => window.location.reload()}
        />
      )}
      <AboutPack pack={pack} revision={revision} onSaved={(saved, named) => { draft.follow(saved); setTitle(named); }} />
      <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_20rem] gap-3 p-3">
        <Grid
          label="Facts"
          columns={columns}
          rows={draft.rows}
          shown={shown}
          faultsByRow={NO_FAULTS}
          sorting={sorting}
          onSort={setSorting}
          chosen={chosen}
          onChoose={setChosen}
          current={current}
          onCurrent={setCurrent}
          splice={draft.splice}
        />
        <aside aria-label="Columns and rows" className="space-y-4 overflow-auto rounded-xl border border-edge bg-card p-4">
          <ColumnNames names={pack.columns} isBusy={turn.isPending || draft.saving.is !== "saved"} onChange={(wanted) => turn.mutate(wanted)} />
          {turn.error && <ErrorNotice error={turn.error} />}
          <Button
            disabled={chosenRows.length === 0}
            onClick={() => {
              draft.edit([...chosenRows].reverse().map((row) => ({ row, remove: 1, insert: [] })));
              setChosen(new Set());
            }}
          >
            Delete {chosenRows.length === 0 ? "the chosen rows" : counted(chosenRows.length, "chosen row")}
          </Button>
          <MoveOut packId={pack.id} rows={chosenRows} revision={revision} onMoved={onAnew} />
          <div className="space-y-1">
            <FilePick label="Bring a picture or sound" accept="image/*,audio/*" busy={bring.isPending} onFile={(file) => bring.mutate(file)} />
            <p className="text-sm text-soft">Cells name files: {Object.keys(pack.media).join(", ") || "none is there yet"}.</p>
          </div>
          {bring.error && <ErrorNotice error={bring.error} />}
          <p className="text-soft">Rounds make questions of these rows by patterns, at their Load bench.</p>
        </aside>
      </main>
    </div>
  );
}
