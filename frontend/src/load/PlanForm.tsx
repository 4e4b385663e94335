import { VALUES } from "../api/parts";
import type { Format, Plan, ImportOptions } from "../api/schema";
import { SelectField } from "../ui/fields";

const ENCODINGS = ["utf-8", "utf-16", "cp1252", "latin-1", "iso8859_15", "cp1250", "cp1251", "koi8-r", "mac_roman"];
const SIGNS = [";", "|", "/", ",", "A)", "\n"];
const SIGN_WORDS: Record<string, string> = { "A)": "letters before them", "\n": "lines" };

type PlanFormProps = {
  plan: Plan;
  sheets: string[];
  onChange: (change: Partial<Plan>) => void;
  onGuess: (wish: ImportOptions) => void;
};

/** How the file was taken to be written, and the means to say otherwise. */
export function PlanForm({ plan, sheets, onChange, onGuess }: PlanFormProps) {
  const encodings = ENCODINGS.includes(plan.encoding) ? ENCODINGS : [plan.encoding, ...ENCODINGS];
  const formats = formatsLike(plan.format);
  return (
    <section aria-label="How it is read" className="flex flex-wrap items-end gap-x-5 gap-y-3 rounded-xl border border-line bg-card p-4">
      <SelectField
        label="Load it as"
        value={plan.contents}
        options={VALUES.Contents}
        onChange={(contents) => onGuess({ contents, encoding: plan.encoding || null, sheet: plan.sheet || null })}
      />
      {formats.length > 1 && (
        <SelectField
          label="It holds"
          value={plan.format}
          options={VALUES.Format.filter(({ value }) => formats.includes(value))}
          onChange={(format) => onGuess({ format, contents: plan.contents, encoding: plan.encoding })}
        />
      )}
      {plan.format === "table" && (
        <SelectField
          label="Fields separated by"
          value={plan.separator}
          options={VALUES.Separator}
          onChange={(separator) => onGuess({ separator, contents: plan.contents, encoding: plan.encoding })}
        />
      )}
      {sheets.length > 1 && (
        <SelectField label="Sheet" value={plan.sheet} options={sheets.map(asOption)} onChange={(sheet) => onGuess({ sheet, contents: plan.contents })} />
      )}
      {plan.format !== "xlsx" && plan.encoding && (
        <SelectField
          label="Encoding"
          value={plan.encoding}
          options={encodings.map(asOption)}
          onChange={(encoding) => onGuess({ encoding, contents: plan.contents })}
        />
      )}
      {plan.columns.length > 0 && plan.contents === "questions" && (
        <SelectField label="Kind" value={plan.kind} options={VALUES.Kind} onChange={(kind) => onChange({ kind })} />
      )}
      {plan.columns.includes("options in one cell") && (
        <SelectField
          label="Options split by"
          value={plan.options_character}
          options={SIGNS.map((character) => ({ value: character, label: SIGN_WORDS[character] ?? character }))}
          onChange={(options_character) => onChange({ options_character })}
        />
      )}
    </section>
  );
}

/** The forms a file could be taken for in place of one. */
function formatsLike(format: Format): Format[] {
  const alike: Format[][] = [
    ["table", "drawn", "written"],
    ["json", "keyed"],
    ["yaml", "keyed"],
  ];
  return alike.find((formats) => formats.includes(format)) ?? [];
}

const asOption = (name: string) => ({ value: name, label: name });
