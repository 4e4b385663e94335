import { Plus, Trash2 } from "lucide-react";
import type { Cue, Occasion } from "../../api/schema";
import { Button } from "../../ui/Button";
import { NumberField, SelectField, TextField } from "../../ui/fields";
import type { BenchProps } from "./Bench";
import { FilterField } from "./FilterField";

const OCCASIONS: Occasion[] = [
  "opening",
  "question shown",
  "right",
  "close",
  "wrong",
  "late",
  "passed",
  "hint",
  "letter hit",
  "letter miss",
  "life lost",
  "life won",
  "round over",
  "ending",
];

/** What is told after an answer, for how long, and the cues that answer to what happens. */
export function CueBench({ document, round, edit, editRound, table }: BenchProps) {
  const counters = table.steps[0]?.table.players[0]?.counters.map(({ name }) => name);
  const after = round.after;
  const cues = document.cues;
  const set = (change: (cues: Cue[]) => Cue[]) => edit((old) => ({ ...old, cues: change(old.cues) }));
  const change = (index: number, part: Partial<Cue>) =>
    set((old) => old.map((cue, place) => (place === index ? { ...cue, ...part } : cue)));
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <SelectField
          label="The right answer is told"
          value={after.reveal}
          options={[
            ["last try", "Once the question is done with"],
            ["always", "After every answer"],
            ["never", "Never"],
          ]}
          onChange={(reveal) => editRound({ after: { ...after, reveal } })}
        />
        <NumberField
          label="The run holds for"
          value={after.hold_ms ?? null}
          empty="Go on"
          suffix="milliseconds; empty waits for Go on"
          onChange={(hold_ms) => editRound({ after: { ...after, hold_ms } })}
        />
      </div>
      <div>
        <h3 className="text-lg">Cues</h3>
        <p className="text-soft">
          Words can have places, filled in as the cue is played: {"{score}"}, {"{name}"} and any counter or fact of
          the rules.
        </p>
        <ol className="mt-2 space-y-3">
          {cues.map((cue, index) => (
            // Cues have no identity but their place.
            <li key={index} className="space-y-2 rounded-lg border border-line p-3">
              <div className="flex flex-wrap items-end gap-3">
                <TextField label="Name" className="w-40" value={cue.name} onChange={(name) => change(index, { name })} />
                <TextField label="Words" className="min-w-40 flex-1" value={cue.words} onChange={(words) => change(index, { words })} />
                <NumberField
                  label="Holds for"
                  value={cue.hold_ms ?? null}
                  empty="as above"
                  suffix="ms"
                  onChange={(hold_ms) => change(index, { hold_ms })}
                />
                <Button
                  look="quiet"
                  className="px-2"
                  aria-label={`Remove ${cue.name}`}
                  onClick={() => set((old) => old.toSpliced(index, 1))}
                >
                  <Trash2 aria-hidden />
                </Button>
              </div>
              <Places
                words={cue.words}
                names={["name", ...(counters ?? [])]}
                onChange={(words) => change(index, { words })}
              />
              <FilterField
                label={`Played when, ${cue.name}`}
                none="only by the rules"
                tags={OCCASIONS.map((name) => ({ name }))}
                chosen={cue.on}
                onChange={(on) => change(index, { on: OCCASIONS.filter((occasion) => on.includes(occasion)) })}
              />
            </li>
          ))}
        </ol>
        <Button
          className="mt-2"
          onClick={() => set((old) => [...old, { name: `cue ${old.length + 1}`, on: ["right"], words: "", hold_ms: null }])}
        >
          <Plus aria-hidden /> Add a cue
        </Button>
      </div>
    </div>
  );
}

type PlacesProps = { words: string; names: string[]; onChange: (words: string) => void };

/** Puts places into words: a press adds one at the end. */
function Places({ words, names, onChange }: PlacesProps) {
  return (
    <div role="group" aria-label="Add a place" className="flex flex-wrap items-center gap-1 text-sm text-soft">
      Add:
      {names.map((name) => (
        <button
          key={name}
          type="button"
          onClick={() => onChange(`${words}${words && !words.endsWith(" ") ? " " : ""}{${name}}`)}
          className="min-h-6 rounded border border-line px-1.5 font-mono hover:border-ink hover:bg-sun-pale"
        >
          {`{${name}}`}
        </button>
      ))}
    </div>
  );
}
