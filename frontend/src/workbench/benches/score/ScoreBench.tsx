import { Plus } from "lucide-react";
import { useMemo } from "react";
import { usePutIn, useLanguage } from "../../../api/games";
import { Button } from "../../../ui/Button";
import { ErrorNotice, Notice } from "../../../ui/Notice";
import type { BenchProps } from "../../state/props";
import { OddsLine } from "../parts/OddsLine";
import { countersAt } from "../parts/places";
import { CounterNames } from "./CounterNames";
import { ScriptEditor } from "./ScriptEditor";
import { Watch } from "./Watch";

/** The rules of the game, in a small language that is a part of Python. */
export default function ScoreBench({ game, document, edit, table }: BenchProps) {
  const language = useLanguage();
  const putIn = usePutIn();
  const set = (script: string) => edit((old) => ({ ...old, script }));
  const faults = useMemo(
    () =>
      game.problems.flatMap(({ line, column, ...told }) =>
        typeof line === "number" && typeof column === "number" ? [{ ...told, line, column }] : [],
      ),
    [game.problems],
  );
  const steps = table.steps.slice(0, table.shown + 1);
  const runs = new Map<number, number>();
  for (const print of steps.flatMap((step) => step.footprints)) {
    if (print.what === "changed") for (const line of print.lines) runs.set(line, (runs.get(line) ?? 0) + 1);
  }
  const last = steps.at(-1)?.footprints.filter((print) => print.stop === "score") ?? [];
  const isSaved = document.script === game.document.script;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <OddsLine gameId={game.id} document={document} />
      <div className="grid min-h-64 flex-1 grid-cols-[minmax(0,1fr)_13rem] gap-2">
        <ScriptEditor
          script={document.script}
          faults={isSaved ? faults : []}
          runs={runs}
          lit={last.flatMap((print) => print.lines)}
          names={language.data?.names ?? []}
          onChange={set}
        />
        <Watch table={table} />
      </div>
      {isSaved && faults.length > 0 && (
        <Notice tone="wrong">
          <ul className="space-y-1">
            {faults.map((fault) => (
              <li key={`${fault.line} ${fault.column} ${fault.what}`}>
                <b>
                  Line {fault.line}, column {fault.column}:
                </b>{" "}
                {fault.what}. To mend it, {fault.mend}.
              </li>
            ))}
          </ul>
        </Notice>
      )}
      {last.map((print, place) => (
        <p key={place} className="rounded-lg bg-sun-pale px-3 py-1.5">
          <b>{print.why}.</b>{" "}
          {print.facts.length > 0 && (
            <span className="text-soft">It could read {print.facts.map(({ name, value }) => `${name} ${value}`).join(", ")}.</span>
          )}
        </p>
      ))}
      <CounterNames
        counters={countersAt(table.steps)}
        names={document.counters}
        onChange={(counters) => edit((old) => ({ ...old, counters }))}
      />
      <details className="rounded-lg border border-line px-3 py-2">
        <summary className="cursor-pointer font-semibold">Recipes: to put into the script, or to begin from</summary>
        {putIn.error && <ErrorNotice error={putIn.error} />}
        <ul className="mt-2 grid gap-1.5">
          {language.data?.recipes.map((recipe) => (
            <li key={recipe.name} className="flex items-center justify-between gap-3">
              <span>
                <b>{recipe.name}</b> <span className="text-soft">{recipe.words}</span>
              </span>
              <span className="flex gap-1">
                <Button
                  aria-label={`Put this in: ${recipe.name}`}
                  onClick={() =>
                    putIn.mutate({ script: document.script, other: recipe.script }, { onSuccess: (made) => set(made.script) })
                  }
                >
                  <Plus aria-hidden /> Put this in
                </Button>
                <Button look="quiet" aria-label={`Take it instead: ${recipe.name}`} onClick={() => set(recipe.script)}>
                  Take it instead
                </Button>
              </span>
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}
