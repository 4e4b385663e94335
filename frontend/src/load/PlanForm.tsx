import { VALUES } from "../api/parts";
import type { Plan, Separator } from "../api/schema";
import { SelectField, SwitchField } from "../ui/fields";

const ENCODINGS = ["utf-8", "utf-16", "cp1252", "latin-1", "iso8859_15", "cp1250", "cp1251", "koi8-r", "mac_roman"];
const SIGNS = [";", "|", "/", ","];

type PlanFormProps = {
  plan: Plan;
  onChange: (change: Partial<Plan>) => void;
  onGuess: (guess: { encoding?: string; separator?: Separator }) => void;
};

/** How the file was taken to be written, and the means to say otherwise. */
export function PlanForm({ plan, onChange, onGuess }: PlanFormProps) {
  const encodings = ENCODINGS.includes(plan.encoding) ? ENCODINGS : [plan.encoding, ...ENCODINGS];
  const isTable = plan.format === "table";
  const hasColumns = isTable || plan.format === "xlsx";
  return (
    <section aria-label="How it is read" className="flex flex-wrap items-end gap-x-5 gap-y-3 rounded-xl border border-line bg-card p-4">
      {isTable && (
        <SelectField
          label="Fields separated by"
          value={plan.separator}
          options={VALUES.Separator}
          onChange={(separator) => onGuess({ separator, encoding: plan.encoding })}
        />
      )}
      {plan.format !== "xlsx" && (
        <SelectField
          label="Encoding"
          value={plan.encoding}
          options={encodings.map(asOption)}
          onChange={(encoding) => onGuess({ encoding })}
        />
      )}
      {hasColumns && (
        <SelectField label="Kind" value={plan.kind} options={VALUES.Kind} onChange={(kind) => onChange({ kind })} />
      )}
      {plan.columns.includes("options in one cell") && (
        <SelectField
          label="Options split by"
          value={plan.options_sign}
          options={SIGNS.map(asOption)}
          onChange={(options_sign) => onChange({ options_sign })}
        />
      )}
      {hasColumns && (
        <SwitchField
          label="First row names the columns"
          checked={plan.has_headings}
          onChange={(has_headings) => onChange({ has_headings })}
        />
      )}
    </section>
  );
}

const asOption = (name: string) => ({ value: name, label: name });
