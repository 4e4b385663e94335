import { ChevronDown, ChevronUp, Trash2 } from "lucide-react";
import { useState } from "react";
import { VALUES } from "../../../api/parts";
import type { Ending } from "../../../api/schema";
import { BadgePicture } from "../../../table/BadgePicture";
import { Button } from "../../../ui/Button";
import { NameField, NumberField, PlacesField, SelectField, SwitchField, TextField } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";
import { OrderButtons } from "../../../ui/OrderButtons";
import { optionsOf } from "../parts/options";
import { PictureField } from "../parts/PictureField";

const COLUMNS = "grid grid-cols-[1.25rem_minmax(7rem,1fr)_8.5rem_6rem_6rem_3.5rem_9rem] items-center gap-x-2";
const FIELDS = ["title", "counts", "at_least", "at_most", "at_once", "badge"];

/** What stands in which column of the endings. */
export function EndingHeads() {
  return (
    <div aria-hidden className={`${COLUMNS} px-2 text-sm text-soft`}>
      <span />
      {FIELDS.map((field) => (
        <span key={field}>{toldOf(`endings[0].${field}`).label}</span>
      ))}
    </div>
  );
}

type EndingRowProps = {
  ending: Ending;
  index: number;
  count: number;
  /** What it can count. */
  counters: string[];
  cues: string[];
  /** What its verdict can have filled in. */
  places: string[];
  onChange: (change: Partial<Ending>) => void;
  onName: (title: string) => void;
  onMove: (to: number) => void;
  onRemove: () => void;
};

/** An ending in one line, with its verdict under it. */
export function EndingRow({ ending, index, count, counters, cues, places, onChange, onName, onMove, onRemove }: EndingRowProps) {
  const at = `endings[${index}]`;
  const [isOpen, setIsOpen] = useState(!ending.counts_as_best);
  return (
    <li className="space-y-1 rounded-lg border border-line px-2 py-1.5">
      <div className={COLUMNS}>
        <b className="font-serif text-lg">{index + 1}</b>
        <NameField hideLabel where={`${at}.title`} value={ending.title} onName={onName} />
        <SelectField
          hideLabel
          where={`${at}.counts`}
          value={ending.counts}
          options={[...new Set([...counters, ending.counts])].map((name) => ({ value: name, label: name }))}
          onChange={(counts) => onChange({ counts })}
        />
        <NumberField hideLabel where={`${at}.at_least`} value={ending.at_least ?? null} onChange={(at_least) => onChange({ at_least })} />
        <NumberField hideLabel where={`${at}.at_most`} value={ending.at_most ?? null} onChange={(at_most) => onChange({ at_most })} />
        <SwitchField hideLabel where={`${at}.at_once`} checked={ending.at_once} onChange={(at_once) => onChange({ at_once })} />
        <span className="flex items-center gap-1.5">
          <SelectField hideLabel where={`${at}.badge`} value={ending.badge} options={VALUES.Badge} onChange={(badge) => onChange({ badge })} />
          <BadgePicture badge={ending.badge} className="size-8 shrink-0" />
        </span>
      </div>
      <div className="flex items-start gap-2 pl-7">
        <PlacesField hideLabel isBrief className="flex-1" where={`${at}.verdict`} value={ending.verdict} places={places} onChange={(verdict) => onChange({ verdict })} />
        <Button look="quiet" className="px-2" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
          {isOpen ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />} More
          <span className="sr-only"> of <bdi>{ending.title}</bdi></span>
        </Button>
        <OrderButtons name={ending.title} index={index} count={count} onMove={onMove} />
        <Button look="quiet" className="px-2" aria-label={`Remove ${ending.title}`} onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </div>
      {!isOpen && ending.when !== "" && (
        <p className="pl-7 text-sm text-soft">
          and only when <code className="font-mono">{ending.when}</code>
        </p>
      )}
      {isOpen && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2 py-1 pl-7">
          <TextField where={`${at}.when`} className="min-w-48 flex-1" value={ending.when} onChange={(when) => onChange({ when })} />
          <SelectField where={`${at}.cue`} value={ending.cue} options={optionsOf(cues, ending.cue)} onChange={(cue) => onChange({ cue })} />
          <SwitchField
            where={`${at}.counts_as_best`}
            checked={ending.counts_as_best}
            onChange={(counts_as_best) => onChange({ counts_as_best })}
          />
          <SwitchField where={`${at}.passes`} checked={ending.passes} onChange={(passes) => onChange({ passes })} />
          <PictureField label={toldOf(`${at}.picture`).label} digest={ending.picture} onChange={(picture) => onChange({ picture })} />
        </div>
      )}
    </li>
  );
}
