import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { giveUpLoad, NEW, useLoad, useLook } from "../api/loads";
import type { LoadView, Plan, Target, ImportOptions } from "../api/schema";
import { Page } from "../app/Page";
import { WayBack } from "../app/WayBack";
import { counted } from "../app/format";
import { Button } from "../ui/Button";
import { ErrorNotice, Notice } from "../ui/Notice";
import { Bring } from "./Bring";
import { Columns } from "./Columns";
import { Destination } from "./Destination";
import { FirstRow } from "./FirstRow";
import { FoundFacts } from "./FoundFacts";
import { FoundQuestions } from "./FoundQuestions";
import { LoadHeader } from "./LoadHeader";
import { Media } from "./Media";
import { MendRows } from "./MendRows";
import { PlanForm } from "./PlanForm";
import { Taking } from "./Taking";
import { useTake } from "./useTake";

/** A question file looked at, put right and taken into a pack. Nothing is written before. */
export default function LoadPage() {
  const { loadId = "new" } = useParams();
  return (
    <Page title="Load questions">
      {loadId === "new" ? <Bring /> : <Waiting key={loadId} loadId={loadId} />}
    </Page>
  );
}

function Waiting({ loadId }: { loadId: string }) {
  const load = useLoad(loadId);
  if (load.data) return <Looked load={load.data} />;
  return (
    <main className="mx-auto max-w-3xl space-y-4 p-6">
      <h1 className="text-3xl">Load questions</h1>
      {load.error ? (
        <>
          <ErrorNotice error={load.error} />
          <p>
            <Link className="text-sky underline" to="/load/new">
              Load or paste questions anew
            </Link>
          </p>
          <WayBack />
        </>
      ) : (
        <p>Reading…</p>
      )}
    </main>
  );
}

function Looked({ load }: { load: LoadView }) {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const gameId = search.get("game");
  const [target, setTarget] = useState<Target>(NEW);
  const look = useLook(load.id);
  /** Set once the maker has said that rows that look like facts are questions. */
  const [isAsIs, setIsAsIs] = useState(false);
  const round = Number(search.get("round") ?? 1) - 1;
  const take = useTake(load, gameId, round);
  const changePlan = (change: Partial<Plan>) =>
    look.mutate({ look: { plan: { ...load.plan, ...change }, target } });
  const aim = (next: Target) => {
    setTarget(next);
    if (next.into === target.into && next.pack_id === target.pack_id) return;
    look.mutate({ look: { plan: load.plan, target: next } });
  };
  const leave = () => {
    void giveUpLoad(load.id);
    void navigate(gameId ? `/game/${gameId}/load?round=${round + 1}` : "/");
  };
  const isPartial = !load.is_whole;
  const thing = load.facts ? "row" : "question";
  return (
    <div className="flex h-full flex-col">
      <LoadHeader load={load} isBusy={look.isPending} />
      <main className="grid min-h-0 flex-1 gap-4 overflow-auto p-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="min-w-0 space-y-4">
          {look.error && <ErrorNotice error={look.error} />}
          {load.notes.map((note) => (
            <Notice key={note}>{note}</Notice>
          ))}
          {load.plan.doubt && <Button onClick={() => changePlan({ doubt: "" })}>Read it all the same</Button>}
          {load.may_be_facts && !isAsIs && (
            <Notice>
              <span className="flex flex-wrap items-center gap-2">
                <span className="min-w-60 flex-1">
                  These rows ask nothing: they look like facts, from which questions can be made by a pattern, the wrong choices drawn from
                  the other rows.
                </span>
                <Button onClick={() => look.mutate({ guess: { ...wishOf(load.plan, null), contents: "facts" } })}>They are facts</Button>
                <Button onClick={() => setIsAsIs(true)}>They are questions</Button>
              </span>
            </Notice>
          )}
          {load.plan.columns.length > 0 && load.first_rows[0] && (
            <FirstRow plan={load.plan} row={load.first_rows[0]} onSay={(has_headings) => look.mutate({ guess: wishOf(load.plan, has_headings) })} />
          )}
          <PlanForm
            plan={load.plan}
            sheets={load.sheets}
            onChange={changePlan}
            onGuess={(guess) => look.mutate({ guess })}
          />
          {load.plan.columns.length > 0 && (
            <Columns
              plan={load.plan}
              rows={load.first_rows}
              onChange={(columns) => changePlan({ columns })}
            />
          )}
          <MendRows
            refused={load.refused}
            areBlocks={load.plan.format === "written"}
            count={load.refused_count}
            onMend={(line, cells) =>
              look.mutate({ look: { plan: load.plan, target, mended: { [line]: cells } } })
            }
          />
          <Media load={load} />
        </div>
        <aside aria-label="What comes of it" className="flex min-h-0 flex-col gap-4">
          <section className="space-y-3 rounded-xl border border-edge bg-card p-4 shadow-sm">
            <p className="text-lg">
              <b className="font-serif text-2xl">{counted(load.question_count, thing)}</b>
              {load.refused_count > 0 && `, ${counted(load.refused_count, load.plan.format === "written" ? "block" : "row")} refused`}
            </p>
            {isPartial && (
              <Notice>
                Looked at the first {load.rows} rows of about {load.rows_expected}. All are read when you load.
              </Notice>
            )}
            <Destination target={target} comparison={load.comparison} onChange={aim} />
            <div className="flex flex-wrap gap-2">
              <Button
                look="main"
                disabled={take.isTaking || load.question_count === 0}
                onClick={() => take.begin(target)}
              >
                Load {isPartial ? "them all" : counted(load.question_count, thing)}
              </Button>
              <Button onClick={leave}>Give up</Button>
            </div>
            <Taking take={take} />
          </section>
          {load.facts ? (
            <FoundFacts facts={load.facts} count={load.question_count} />
          ) : (
            <FoundQuestions questions={load.questions} count={load.question_count} />
          )}
        </aside>
      </main>
    </div>
  );
}

/** What is known of a file already, with what is said of its first row. */
function wishOf({ format, encoding, separator, sheet, contents }: Plan, has_headings: boolean | null): ImportOptions {
  return { format, encoding, sheet, contents, has_headings, separator: format === "table" ? separator : null };
}
