import { ChevronDown, ChevronUp, Play } from "lucide-react";
import { useState } from "react";
import { VALUES } from "../../../api/parts";
import type { Cue, Occasion } from "../../../api/schema";
import { Effects } from "../../../table/effects/Effects";
import { Button } from "../../../ui/Button";
import { PlacesField, SelectField } from "../../../ui/fields";
import { optionsOf } from "../parts/options";
import { CueDetails } from "./CueDetails";
import { HoldField } from "./HoldField";
import { usePreview } from "./usePreview";

/** What stands in which column of the sheet. */
export const CUE_COLUMNS = "grid grid-cols-[5.5rem_minmax(6rem,2fr)_minmax(5rem,1.1fr)_2rem_minmax(5rem,1.3fr)_minmax(6rem,1.5fr)_2rem] items-start gap-x-1.5";

type CueLineProps = {
  cue: Cue;
  at: string;
  /** The event of this line; none of a cue that only the rules play. */
  occasion: Occasion | undefined;
  places: string[];
  sounds: string[];
  soundsAt: string;
  onChange: (part: Partial<Cue>) => void;
  onName: (name: string) => void;
  onRemove: () => void;
};

/** A line of the sheet: what is said, heard and seen when something happens, and how long it holds. */
export function CueLine({ cue, at, occasion, places, sounds, soundsAt, onChange, onName, onRemove }: CueLineProps) {
  const [isOpen, setIsOpen] = useState(false);
  const { preview, seen, mood } = usePreview(cue, soundsAt);
  const others = cue.on.filter((one) => one !== occasion);
  return (
    <li className="relative border-t border-line py-1">
      <div className={CUE_COLUMNS}>
        <p className="min-w-0 pt-1.5 leading-tight font-semibold break-words">
          {occasion ?? "by the rules"}
          <span className="block text-sm font-normal text-soft">{occasion === undefined ? cue.name : others.length > 0 && `also ${others.join(", ")}`}</span>
        </p>
        <PlacesField hideLabel isBrief label={`Words of ${cue.name}`} where={`${at}.words`} value={cue.words} places={places} onChange={(words) => onChange({ words })} />
        <SelectField
          hideLabel
          label={`Sound of ${cue.name}`}
          where={`${at}.sound`}
          value={cue.sound}
          options={optionsOf(sounds, cue.sound)}
          onChange={(sound) => onChange({ sound })}
        />
        <Button look="quiet" className="px-1.5" aria-label={`Play ${cue.name}`} onClick={preview}>
          <Play aria-hidden />
        </Button>
        <SelectField
          hideLabel
          label={`Effect of ${cue.name}`}
          where={`${at}.effect`}
          value={cue.effect}
          options={VALUES.Effect}
          onChange={(effect) => onChange({ effect })}
        />
        <HoldField
          name={cue.name}
          where={`${at}.hold_ms`}
          holdMs={cue.hold_ms ?? null}
          untilContinue={cue.until_continue}
          usual="as the round says"
          onChange={(hold_ms, until_continue) => onChange({ hold_ms, until_continue })}
        />
        <Button look="quiet" className="px-1.5" aria-expanded={isOpen} aria-label={`More of ${cue.name}`} onClick={() => setIsOpen(!isOpen)}>
          {isOpen ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
        </Button>
      </div>
      {isOpen && <CueDetails cue={cue} at={at} onChange={onChange} onName={onName} onRemove={onRemove} />}
      <Effects played={seen} mood={mood} score={27} />
    </li>
  );
}
