import { ArrowDown, ArrowUp, Plus, Trash2 } from "lucide-react";
import type { Ending } from "../../api/schema";
import { Button } from "../../ui/Button";
import { NumberField, TextField } from "../../ui/fields";
import type { BenchProps } from "./Bench";
import { ScoreLine } from "./ScoreLine";

const NEW_ENDING: Ending = { title: "New ending", verdict: "", at_least: null, at_most: null };

/** The endings in order; the first whose bounds hold the score is taken. */
export function EndBench({ game, document, edit }: BenchProps) {
  const endings = document.endings;
  const set = (change: (endings: Ending[]) => Ending[]) =>
    edit((old) => ({ ...old, endings: change(old.endings) }));
  const replace = (index: number, change: Partial<Ending>) =>
    set((old) => old.map((ending, place) => (place === index ? { ...ending, ...change } : ending)));
  const swap = (index: number, other: number) =>
    set((old) => {
      const next = [...old];
      const [first, second] = [next[index], next[other]];
      if (first && second) [next[index], next[other]] = [second, first];
      return next;
    });
  return (
    <div className="space-y-4">
      <ScoreLine spans={game.score_spans} endings={game.document.endings} />
      <p className="text-soft">They are tried from the top: the first that fits the score is the one.</p>
      <ol className="space-y-3">
        {endings.map((ending, index) => (
          // Endings have no identity but their place.
          <li key={index} className="rounded-lg border border-line p-3">
            <div className="flex flex-wrap items-end gap-3">
              <b className="pb-2 font-serif text-lg">{index + 1}</b>
              <TextField
                label="Name"
                className="min-w-32 flex-1"
                value={ending.title}
                onChange={(title) => replace(index, { title })}
              />
              <NumberField
                label="At least"
                value={ending.at_least ?? null}
                empty="any"
                onChange={(at_least) => replace(index, { at_least })}
              />
              <NumberField
                label="At most"
                value={ending.at_most ?? null}
                empty="any"
                onChange={(at_most) => replace(index, { at_most })}
              />
              <span className="flex">
                <Button
                  look="quiet"
                  aria-label={`Move ${ending.title} up`}
                  disabled={index === 0}
                  onClick={() => swap(index, index - 1)}
                >
                  <ArrowUp aria-hidden />
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Move ${ending.title} down`}
                  disabled={index === endings.length - 1}
                  onClick={() => swap(index, index + 1)}
                >
                  <ArrowDown aria-hidden />
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Remove ${ending.title}`}
                  onClick={() => set((old) => old.filter((_, place) => place !== index))}
                >
                  <Trash2 aria-hidden />
                </Button>
              </span>
            </div>
            <TextField
              label="Verdict"
              className="mt-2"
              value={ending.verdict}
              onChange={(verdict) => replace(index, { verdict })}
            />
          </li>
        ))}
      </ol>
      <Button onClick={() => set((old) => [...old, NEW_ENDING])}>
        <Plus aria-hidden /> Add an ending
      </Button>
    </div>
  );
}
