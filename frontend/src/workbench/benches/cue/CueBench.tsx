import { Plus } from "lucide-react";
import { useState } from "react";
import { NEW_CUE, VALUES } from "../../../api/parts";
import type { Cue } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { SelectField } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { CueEditor } from "./CueEditor";
import { HoldField } from "./HoldField";
import { SoundsEditor } from "./SoundsEditor";

/** What is told after an answer, for how long, and the cues that answer to what happens. */
export function CueBench({ game, document, round, at, edit, editRound, table }: BenchProps) {
  const [chosen, setChosen] = useState(0);
  const { after } = round;
  const { cues, sounds } = document;
  const set = (change: (cues: Cue[]) => Cue[]) => edit((old) => ({ ...old, cues: change(old.cues) }));
  const shown = Math.min(chosen, cues.length - 1);
  const cue = cues[shown];
  const counters = table.steps[0]?.table.players[0]?.counters.map(({ name }) => name) ?? [];
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <SelectField
          where={`${at}.after.reveal`}
          value={after.reveal}
          options={VALUES.Reveal}
          onChange={(reveal) => editRound({ after: { ...after, reveal } })}
        />
        <HoldField
          where={`${at}.after.hold_ms`}
          holdMs={after.hold_ms ?? null}
          untilContinue={after.hold_ms === null || after.hold_ms === undefined}
          onChange={(hold_ms) => editRound({ after: { ...after, hold_ms } })}
        />
      </div>
      <section aria-labelledby="cues">
        <div className="flex items-center justify-between gap-3">
          <h3 id="cues" className="text-lg">
            Cues
          </h3>
          <Button
            onClick={() => {
              set((old) => [...old, { ...NEW_CUE, name: free(old) }]);
              setChosen(cues.length);
            }}
          >
            <Plus aria-hidden /> Add a cue
          </Button>
        </div>
        {cue ? (
          <div className="mt-2 grid grid-cols-[11rem_minmax(0,1fr)] gap-4">
            <ol aria-label="Cues of the game" className="max-h-96 space-y-1 overflow-auto p-0.5">
              {cues.map((one, index) => (
                // Cues have no identity but their place.
                <li key={index}>
                  <button
                    type="button"
                    aria-pressed={index === shown}
                    onClick={() => setChosen(index)}
                    className="w-full rounded-md border border-line bg-card px-2.5 py-1 text-left hover:bg-sun-pale aria-pressed:border-moss aria-pressed:bg-moss-pale"
                  >
                    <b className="block truncate">{one.name || "without a name"}</b>
                    <span className="block truncate text-sm text-soft">{one.on.join(", ") || "by the rules"}</span>
                  </button>
                </li>
              ))}
            </ol>
            <CueEditor
              key={shown}
              cue={cue}
              at={`cues[${shown}]`}
              places={["name", ...counters]}
              sounds={sounds}
              game={game}
              onChange={(part) => set((old) => old.map((one, place) => (place === shown ? { ...one, ...part } : one)))}
              onRemove={() => set((old) => old.toSpliced(shown, 1))}
            />
          </div>
        ) : (
          <p className="mt-1 text-soft">None yet. A cue says, sounds and shows something when something happens.</p>
        )}
      </section>
      <SoundsEditor sounds={sounds} onChange={(change) => edit((old) => ({ ...old, sounds: change(old.sounds) }))} />
    </div>
  );
}

function free(cues: Cue[]): string {
  let number = cues.length + 1;
  while (cues.some(({ name }) => name === `cue ${number}`)) number += 1;
  return `cue ${number}`;
}
