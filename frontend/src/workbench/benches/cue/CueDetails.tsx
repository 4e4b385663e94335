import { Trash2 } from "lucide-react";
import { VALUES } from "../../../api/parts";
import type { Cue } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { NameField, NumberField, SwitchField } from "../../../ui/fields";
import { FilterField } from "../parts/FilterField";

type CueDetailsProps = { cue: Cue; at: string; onChange: (part: Partial<Cue>) => void; onName: (name: string) => void; onRemove: () => void };

/** What of a cue has no room in its line: its name, and everything it answers to. */
export function CueDetails({ cue, at, onChange, onName, onRemove }: CueDetailsProps) {
  return (
    <div className="my-1 space-y-2 rounded-lg border border-line p-3">
      <div className="flex flex-wrap items-end gap-4">
        <NameField where={`${at}.name`} className="min-w-40 flex-1" value={cue.name} onName={onName} />
        {cue.on.includes("streak") && (
          <NumberField where={`${at}.streak`} value={cue.streak} onChange={(streak) => streak !== null && onChange({ streak })} />
        )}
        {cue.on.includes("tick") && (
          <NumberField
            where={`${at}.last_seconds`}
            value={cue.last_seconds}
            onChange={(last_seconds) => last_seconds !== null && onChange({ last_seconds })}
          />
        )}
        <SwitchField where={`${at}.words_alone`} checked={cue.words_alone} onChange={(words_alone) => onChange({ words_alone })} />
        <Button onClick={onRemove}>
          <Trash2 aria-hidden /> Take it out<span className="sr-only">: {cue.name}</span>
        </Button>
      </div>
      <FilterField
        label="This cue is played at"
        none="only by the rules"
        tags={VALUES.Occasion.map(({ label }) => ({ name: label }))}
        chosen={cue.on}
        onChange={(on) => onChange({ on: VALUES.Occasion.map(({ value }) => value).filter((value) => on.includes(value)) })}
      />
    </div>
  );
}
