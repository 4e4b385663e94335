import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { editPack, useWholePack } from "../api/packs";
import { NEW_QUESTION } from "../api/parts";
import type { PackEdit, PackView, Question } from "../api/schema";
import { Page } from "../app/Page";
import { WayBack } from "../app/WayBack";
import { counted } from "../app/format";
import { useCommands, useShortcuts } from "../app/shortcuts";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";
import { Shortcuts } from "../ui/Shortcuts";
import { AlikePairs } from "./AlikePairs";
import { BulkBar } from "./BulkBar";
import { columnsFor } from "./columns";
import { EditingFacts } from "./EditingFacts";
import { FilterBar } from "./FilterBar";
import { Grid } from "./Grid";
import { MakeGame } from "./MakeGame";
import { MoveOut } from "./MoveOut";
import { PackHead } from "./PackHead";
import { QuestionPane } from "./QuestionPane";
import { useKindGuess } from "./useKindGuess";
import { usePackDraft, type Splice } from "./usePackDraft";
import { useShownRows } from "./useShownRows";

/** A pack, edited in place. */
export default function PackPage() {
  const { packId = "" } = useParams();
  const pack = useWholePack(packId);
  const [times, setTimes] = useState(0);
  const anew = () => void pack.refetch().then(() => setTimes(times + 1));
  return (
    <Page title={pack.data?.title ?? "Pack"}>
      {pack.data && pack.data.columns.length > 0 ? (
        <EditingFacts
          key={`${packId} ${times}`}
          pack={pack.data}
          onAnew={anew}
        />
      ) : pack.data ? (
        <Editing key={`${packId} ${times}`} pack={pack.data} onAnew={anew} />
      ) : (
        <main className="mx-auto max-w-xl space-y-4 p-8">
          <h1 className="text-3xl">Pack</h1>
          {pack.error ? <ErrorNotice error={pack.error} /> : <p>Opening the pack…</p>}
          <WayBack />
        </main>
      )}
    </Page>
  );
}

const KEYS: [string, string][] = [
  ["Arrow up and down, Enter", "go to the field above or below"],
  ["Alt with U", "undo"],
  ["Alt with R", "redo"],
  ["?", "show these keys"],
];

function Editing({ pack, onAnew }: { pack: PackView; onAnew: () => void }) {
  const draft = usePackDraft({ ...pack, items: pack.questions, send: editPack });
  const [columns, setColumns] = useState(() => columnsFor(pack.questions));
  const view = useShownRows(draft.rows, draft.faults, columns);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [search] = useSearchParams();
  const [current, setCurrent] = useState(() => Math.max(0, Math.min(Number(search.get("row") ?? 1) - 1, pack.questions.length - 1)));
  const [isHelping, setIsHelping] = useState(false);
  useShortcuts({ "?": () => setIsHelping(true) });
  useCommands({ U: draft.undo, R: draft.redo });
  const kinds = useKindGuess(draft);
  /** A cell is changed; in the empty row at the end this begins a question. */
  const write: Splice<Question> = (row, remove, insert, step) => {
    const key = draft.rows[row]?.key ?? draft.nextKey;
    if (remove === 0) kinds.begin(key);
    draft.splice(row, remove, insert, step);
    kinds.changed(key);
  };
  const chosenRows = draft.rows.flatMap(({ key }, row) => (chosen.has(key) ? [row] : []));
  const changeChosen = (change: (question: Question) => Question) =>
    draft.edit(
      chosenRows.flatMap((row): PackEdit[] => {
        const question = draft.rows[row]?.item;
        return question ? [{ row, remove: 1, insert: [change(question)] }] : [];
      }),
    );
  const add = (question: Question, row: number) => {
    draft.splice(row, 0, [question]);
    setCurrent(row);
  };
  const shownQuestion = draft.rows[current]?.item;
  return (
    <div className="flex h-full min-h-160 flex-col">
      <PackHead
        pack={pack}
        draft={draft}
        holds={`${counted(draft.rows.length, "question")}, ${counted(view.faultsByRow.size, "row")} with faults`}
      >
        <MakeGame pack={pack} isReady={draft.rows.length > 0} />
        <Button look="main" onClick={() => add(NEW_QUESTION, draft.rows.length)}>
          Add a question
        </Button>
      </PackHead>
      <FilterBar rows={draft.rows} shown={view.shown.length} filter={view.filter} onChange={view.setFilter}>
        <AlikePairs
          packId={pack.id}
          rows={draft.rows}
          isSaved={draft.saved !== undefined}
          onShow={setCurrent}
          onDelete={(row) => draft.splice(row, 1, [])}
        />
      </FilterBar>
      <BulkBar
        count={chosenRows.length}
        onDetails={(details) =>
          changeChosen((question) => ({ ...question, details: { ...question.details, ...details } }))
        }
        onDelete={() => {
          draft.takeOut(chosenRows);
          setChosen(new Set());
        }}
        onClear={() => setChosen(new Set())}
      >
        <MoveOut packId={pack.id} rows={chosenRows} revision={draft.saved} onMoved={onAnew} />
      </BulkBar>
      <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22rem] gap-3 p-3">
        <Grid
          label="Questions"
          columns={columns}
          rows={draft.rows}
          shown={view.shown}
          faultsByRow={view.faultsByRow}
          sorting={view.sorting}
          onSort={view.setSorting}
          chosen={chosen}
          onChoose={setChosen}
          current={current}
          onCurrent={setCurrent}
          splice={write}
          blank={view.shown.length === draft.rows.length && !view.sorting ? NEW_QUESTION : undefined}
          nextKey={draft.nextKey}
        />
        {!shownQuestion && (
          <aside aria-label="A new question" className="space-y-2 rounded-xl border border-line bg-card p-4">
            <h2 className="text-xl">A new question</h2>
            <p>Write the question, its right answer, and wrong ones if players are to pick. Tab goes on in the row, Enter to the next row.</p>
            <p>Without wrong choices the answer is typed: a number if the right answer is one, true or false if it is one of these.</p>
          </aside>
        )}
        {shownQuestion && (
          <QuestionPane
            key={draft.rows[current]?.key}
            row={current}
            question={shownQuestion}
            faults={view.faultsByRow.get(current) ?? []}
            packId={pack.id}
            onMedium={draft.bringMedium}
            onChange={(question, field) => {
              const key = draft.rows[current]?.key ?? 0;
              if (field === "kind") kinds.choose(key);
              draft.splice(current, 1, [question], `${current} ${field}`);
              kinds.changed(key);
              setColumns((old) => {
                const next = columnsFor([...draft.rows.map((row) => row.item), question]);
                return next.length > old.length ? next : old;
              });
            }}
            onDuplicate={() => add(shownQuestion, current + 1)}
            onDelete={() => {
              draft.splice(current, 1, []);
              setCurrent(Math.max(0, current - 1));
            }}
          />
        )}
      </main>
      <Shortcuts keys={KEYS} isOpen={isHelping} onOpenChange={setIsHelping} />
    </div>
  );
}
