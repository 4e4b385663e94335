import { VALUES } from "../../../api/parts";
import { SelectField, SwitchField } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { countersAt, placesFor } from "../parts/places";
import { CueSheet } from "./CueSheet";
import { HoldField } from "./HoldField";
import { SoundsEditor } from "./SoundsEditor";

/** What is told after an answer, for how long, and the cues that answer to what happens. */
export function CueBench({ game, document, round, at, edit, editRound, rename, table }: BenchProps) {
  const { after } = round;
  const { cues, sounds } = document;
  const counters = countersAt(table.steps);
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
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
      <CueSheet
        game={game}
        cues={cues}
        sounds={sounds}
        places={(isAtEnd) => placesFor(counters, isAtEnd)}
        onName={(index, name) => rename("cue", index, name)}
        onChange={(change) => edit((old) => ({ ...old, cues: change(old.cues) }))}
      />
      <SwitchField
        where={`${at}.after.own_words_alone`}
        checked={after.own_words_alone}
        onChange={(own_words_alone) => editRound({ after: { ...after, own_words_alone } })}
      />
      <SoundsEditor sounds={sounds} onName={(index, name) => rename("sound", index, name)} onChange={(change) => edit((old) => ({ ...old, sounds: change(old.sounds) }))} />
    </div>
  );
}
