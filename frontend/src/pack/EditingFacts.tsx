import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changeColumns, editFacts } from "../api/packs";
import type { FactColumn, PackView } from "../api/schema";
import { counted } from "../app/format";
import { useCommands } from "../app/shortcuts";
import { Button } from "../ui/Button";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice } from "../ui/Notice";
import { ColumnNames } from "./ColumnNames";
import { factColumns } from "./columns";
import { Grid } from "./Grid";
import { MoveOut } from "./MoveOut";
import { PackHead } from "./PackHead";
import { usePackDraft } from "./usePackDraft";
import type { Sorting } from "./useShownRows";
import { keys } from "../api/keys";

type EditingFactsProps = { pack: PackView; onAnew: () => void };

const NO_FAULTS = new Map<number, never>();

/** A table of facts, edited in place: its cells, its rows, its columns. */
export function EditingFacts({ pack, onAnew }: EditingFactsProps) {
  const queries = useQueryClient();
  const draft = usePackDraft({ ...pack, items: pack.rows, send: editFacts });
  const [columns] = useState(() => factColumns(pack.columns, pack.rows));
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [current, setCurrent] = useState(0);
  const [sorting, setSorting] = useState<Sorting>();
  useCommands({ U: draft.undo, R: draft.redo });
  const chosenRows = draft.rows.flatMap(({ key }, row) => (chosen.has(key) ? [row] : []));
  const turn = useMutation({
    mutationFn: (wanted: FactColumn[]) => changeColumns(pack.id, draft.revision(), wanted),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: keys.packs() });
      await queries.invalidateQueries({ queryKey: keys.games() });
      onAnew();
    },
  });
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
      <PackHead
        pack={pack}
        draft={draft}
        holds={`${counted(draft.rows.length, "row")} of facts, ${counted(pack.columns.length, "column")}`}
      >
        <Button
          look="main"
          onClick={() => {
            draft.splice(draft.rows.length, 0, [pack.columns.map(() => "")]);
            setCurrent(draft.rows.length);
          }}
        >
          Add a row
        </Button>
      </PackHead>
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
          blank={sorting ? undefined : pack.columns.map(() => "")}
          nextKey={draft.nextKey}
        />
        <aside aria-label="Columns and rows" className="space-y-4 overflow-auto rounded-xl border border-edge bg-card p-4">
          <ColumnNames names={pack.columns} isBusy={turn.isPending || draft.saving.is !== "saved"} onChange={(wanted) => turn.mutate(wanted)} />
          {turn.error && <ErrorNotice error={turn.error} />}
          <Button
            disabled={chosenRows.length === 0}
            onClick={() => {
              draft.takeOut(chosenRows);
              setChosen(new Set());
            }}
          >
            Delete {chosenRows.length === 0 ? "the chosen rows" : counted(chosenRows.length, "chosen row")}
          </Button>
          <MoveOut packId={pack.id} rows={chosenRows} revision={draft.saved} onMoved={onAnew} />
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
