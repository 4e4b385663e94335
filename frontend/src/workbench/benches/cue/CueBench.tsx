import { VALUES } from "../../../api/parts";
import { SelectField } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { CueSheet } from "./CueSheet";
import { HoldField } from "./HoldField";
import { SoundsEditor } from "./SoundsEditor";

/** What is told after an answer, for how long, and the cues that answer to what happens. */
export function CueBench({ game, document, round, at, edit, editRound, table }: BenchProps) {
  const { after } = round;
  const { cues, sounds } = document;
  const counters = table.steps[0]?.table.players[0]?.counters.map(({ name }) => name) ?? [];
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
        counters={counters}
        onChange={(change) => edit((old) => ({ ...old, cues: change(old.cues) }))}
      />
      <SoundsEditor sounds={sounds} onChange={(change) => edit((old) => ({ ...old, sounds: change(old.sounds) }))} />
    </div>
  );
}
