import { Trash2 } from "lucide-react";
import { Link } from "react-router";
import type { Dice } from "../../../api/dice";
import { usePatternLook } from "../../../api/packs";
import { VALUES } from "../../../api/parts";
import type { PackCard, Pattern } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { NumberField, PlacesField, SelectField, SwitchField, TextField } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";
import { ErrorNotice } from "../../../ui/Notice";
import { FilterField } from "../parts/FilterField";
import { optionsOf } from "../parts/options";
import { PatternQuestions } from "./PatternQuestions";

type PatternEditorProps = {
  pattern: Pattern;
  facts: PackCard | undefined;
  at: string;
  dice: Dice | undefined;
  onChange: (pattern: Pattern) => void;
  onRemove: () => void;
  /** Adds another pattern after this one. */
  onAdd: (pattern: Pattern) => void;
};

/** The columns that a pattern can take something from besides its answer. */
const FROM_COLUMNS = ["picture", "sound", "worth", "level", "note"] as const;

/** How a round makes questions of facts, with some of those that come of it. */
export function PatternEditor({ pattern, facts, at, dice, onChange, onRemove, onAdd }: PatternEditorProps) {
  const look = usePatternLook(pattern, dice, facts?.revision ?? 0);
  const columns = facts?.columns ?? [];
  const set = (change: Partial<Pattern>) => onChange({ ...pattern, ...change });
  const isPicked = pattern.made === "choice";
  const isOrder = pattern.made === "order";
  const isPlace = pattern.made === "place";
  const isGaps = pattern.made === "gaps";
  const isArranged = isOrder || pattern.made === "match";
  const hasChoices = isPicked || isArranged || (isGaps && pattern.filled === "bank");
  const reverse = look.data?.reverse;
  const isNarrowed = pattern.near !== "" || pattern.holds.length > 0 || pattern.also.length > 0;
  const column = (field: "answer" | "near" | "by" | (typeof FROM_COLUMNS)[number]) => (
    <SelectField
      key={field}
      where={`${at}.${field}`}
      value={pattern[field]}
      options={optionsOf(columns, pattern[field], toldOf(`${at}.${field}`).empty || undefined)}
      onChange={(chosen) => set({ [field]: chosen })}
    />
  );
  return (
    <fieldset className="space-y-3 rounded-lg border border-line p-3">
      <legend className="px-1 font-serif text-lg font-semibold">From the facts “{facts?.title ?? pattern.facts}”</legend>
      <PlacesField where={`${at}.prompt`} hint="" value={pattern.prompt} places={columns} onChange={(prompt) => set({ prompt })} />
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        {column("answer")}
        <SelectField where={`${at}.made`} value={pattern.made} options={VALUES.Made} onChange={(made) => set({ made })} />
        {(isArranged || isPlace) && column("by")}
        {isPlace && column("picture")}
        {isOrder && <SwitchField where={`${at}.largest_first`} checked={pattern.largest_first} onChange={(largest_first) => set({ largest_first })} />}
        {isGaps && <SelectField where={`${at}.filled`} value={pattern.filled} options={VALUES.Filled} onChange={(filled) => set({ filled })} />}
        {hasChoices && (
          <NumberField where={`${at}.choices`} suffix="" value={pattern.choices} onChange={(choices) => choices !== null && set({ choices })} />
        )}
        {(isPicked || isArranged) && <SelectField where={`${at}.shows`} value={pattern.shows} options={VALUES.Shows} onChange={(shows) => set({ shows })} />}
        {pattern.made === "estimate" &&
          (["least", "most", "step", "unit"] as const).map((name) => (
            <TextField key={name} where={`${at}.${name}`} className="w-28" placeholder={toldOf(`${at}.${name}`).empty} value={pattern[name]} onChange={(text) => set({ [name]: text })} />
          ))}
        {(pattern.made === "number" || pattern.made === "estimate") && (
          <TextField where={`${at}.tolerance`} className="w-28" value={pattern.tolerance} onChange={(tolerance) => set({ tolerance })} />
        )}
        <SelectField where={`${at}.leaves`} value={pattern.leaves} options={VALUES.Leaves} onChange={(leaves) => set({ leaves })} />
      </div>
      <details open={isNarrowed}>
        <summary className="min-h-6 cursor-pointer font-semibold">More: near rows, only some rows, pictures, worth, level</summary>
        <div className="mt-2 space-y-3">
          <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
            {hasChoices && !isArranged && column("near")}
            {FROM_COLUMNS.filter((field) => !(isPlace && field === "picture")).map(column)}
          </div>
          {!isPicked && !isArranged && !isPlace && (
            <FilterField
              label={toldOf(`${at}.also[]`).label}
              tags={columns.map((name) => ({ name }))}
              none="no other column"
              chosen={pattern.also}
              onChange={(also) => set({ also })}
            />
          )}
          {look.data?.recurring.map(({ column: name, values }) => (
            <FilterField
              key={name}
              label={`Only rows where “${name}” is`}
              tags={values}
              none="any"
              chosen={pattern.holds.find((holds) => holds.column === name)?.values ?? []}
              onChange={(chosen) => {
                const others = pattern.holds.filter((holds) => holds.column !== name);
                set({ holds: chosen.length > 0 ? [...others, { column: name, values: chosen }] : others });
              }}
            />
          ))}
        </div>
      </details>
      {look.error && <ErrorNotice error={look.error} />}
      {look.data && <PatternQuestions look={look.data} pattern={pattern} media={facts?.media ?? {}} />}
      <div className="flex flex-wrap items-center gap-2">
        {reverse && <Button onClick={() => onAdd(reverse)}>Ask it the other way round too</Button>}
        <Link to={`/pack/${pattern.facts}`} className="text-sky underline">
          Edit the facts
        </Link>
        <Button look="quiet" className="ml-auto px-2" aria-label="Remove this pattern" onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </div>
    </fieldset>
  );
}
