import { Play, Trash2 } from "lucide-react";
import { useState } from "react";
import { useShippedSounds } from "../../../api/sounds";
import { VALUES } from "../../../api/parts";
import type { Cue, GameView, Occasion, Sound } from "../../../api/schema";
import { Effects } from "../../../table/effects/Effects";
import { hear } from "../../../table/hearing";
import { addressOf, useSeen, type Played } from "../../../table/useCues";
import { Button } from "../../../ui/Button";
import { NumberField, PlacesField, SelectField, TextField } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";
import { FilterField } from "../parts/FilterField";
import { HoldField } from "./HoldField";
import { optionsOf } from "../parts/options";

/** What makes the drawn face and the mark take it badly. */
const BAD: Occasion[] = ["wrong", "late", "life lost", "letter miss"];

const FACTS = ["worth", "streak", "best_streak", "right_count", "asked_count", "percent", "number"];

type CueEditorProps = {
  cue: Cue;
  at: string;
  places: string[];
  sounds: Sound[];
  game: GameView;
  onChange: (part: Partial<Cue>) => void;
  onRemove: () => void;
};

/** One cue: when it is played, what it says, sounds and shows, and how long it holds. */
export function CueEditor({ cue, at, places, sounds, game, onChange, onRemove }: CueEditorProps) {
  const shipped = useShippedSounds();
  const [played, setPlayed] = useState<Played>({ stamp: 0, cues: [], scoreBefore: 12 });
  const seen = useSeen(played);
  const isBad = cue.on.some((occasion) => BAD.includes(occasion));
  const preview = () => {
    if (cue.sound) hear(addressOf(`/api/sounds/games/${game.id}/${game.revision}`, cue.sound));
    const cues = [{ name: cue.name, at: 0, sound: cue.sound, effect: cue.effect }];
    setPlayed((old) => ({ ...old, stamp: old.stamp + 1, cues }));
  };
  const named = [...new Set([...places, ...FACTS])];
  const names = [...sounds, ...(shipped.data ?? [])].map((sound) => sound.name);
  return (
    <div className="relative min-w-0 space-y-3">
      <div className="flex items-end gap-3">
        <TextField where={`${at}.name`} className="min-w-0 flex-1" value={cue.name} onChange={(name) => onChange({ name })} />
        <Button look="quiet" className="px-2" aria-label={`Remove ${cue.name}`} onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </div>
      <PlacesField label="Words" where={`${at}.words`} value={cue.words} places={named} onChange={(words) => onChange({ words })} />
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          where={`${at}.sound`}
          value={cue.sound}
          options={optionsOf(names, cue.sound)}
          onChange={(sound) => onChange({ sound })}
        />
        <SelectField where={`${at}.effect`} value={cue.effect} options={VALUES.Effect} onChange={(effect) => onChange({ effect })} />
        <Button onClick={preview}>
          <Play aria-hidden /> Play this cue
        </Button>
      </div>
      <FilterField
        label={toldOf(`${at}.on`).label}
        none="only by the rules"
        tags={VALUES.Occasion.map(({ label }) => ({ name: label }))}
        chosen={cue.on}
        onChange={(on) => onChange({ on: VALUES.Occasion.map(({ value }) => value).filter((value) => on.includes(value)) })}
      />
      {(cue.on.includes("streak") || cue.on.includes("tick")) && (
        <div className="flex flex-wrap gap-6">
          {cue.on.includes("streak") && (
            <NumberField
              where={`${at}.streak`}
              value={cue.streak}
              onChange={(streak) => streak !== null && onChange({ streak })}
            />
          )}
          {cue.on.includes("tick") && (
            <NumberField
              where={`${at}.last_seconds`}
              value={cue.last_seconds}
              onChange={(last_seconds) => last_seconds !== null && onChange({ last_seconds })}
            />
          )}
        </div>
      )}
      <HoldField
        where={`${at}.hold_ms`}
        holdMs={cue.hold_ms ?? null}
        untilContinue={cue.until_continue}
        usual="as the round says"
        onChange={(hold_ms, until_continue) => onChange({ hold_ms, until_continue })}
      />
      <Effects played={seen} mood={isBad ? "sad" : "glad"} score={27} />
    </div>
  );
}
