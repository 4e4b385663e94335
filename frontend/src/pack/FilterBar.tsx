import { useMemo, type ReactNode } from "react";
import { VALUES } from "../api/parts";
import type { Question } from "../api/schema";
import { SelectField, SwitchField, TextField } from "../ui/fields";
import { toldOf } from "../ui/fields/told";
import type { Row } from "./usePackDraft";
import type { Filter } from "./useShownRows";

const [lowest, highest] = toldOf("details.level").within ?? [1, 1];
const LEVELS = Array.from({ length: highest - lowest + 1 }, (_, step) => String(lowest + step));

const named = (name: string) => ({ value: name, label: name });

type FilterBarProps = { rows: Row<Question>[]; shown: number; filter: Filter; onChange: (filter: Filter) => void; children: ReactNode };

/** Which rows to show. */
export function FilterBar({ rows, shown, filter, onChange, children }: FilterBarProps) {
  const topics = useMemo(
    () => [...new Set(rows.map(({ item }) => item.details.topic).filter(Boolean))].sort(),
    [rows],
  );
  const any = { value: "", label: "any" };
  const set = (change: Partial<Filter>) => onChange({ ...filter, ...change });
  return (
    <section aria-label="Filter" className="flex flex-wrap items-end gap-x-4 gap-y-2 px-4 pt-3">
      <TextField label="Find" value={filter.find} className="w-56" onChange={(find) => set({ find })} />
      <SelectField
        label="Topic"
        value={filter.topic}
        options={[any, ...topics.map(named)]}
        onChange={(topic) => set({ topic })}
      />
      <SelectField
        label="Kind"
        value={filter.kind}
        options={[{ value: "", label: "any" }, ...VALUES.Kind]}
        onChange={(kind) => set({ kind })}
      />
      <SelectField
        label="Level"
        value={filter.level}
        options={[any, ...LEVELS.map(named)]}
        onChange={(level) => set({ level })}
      />
      <SwitchField
        label="Only rows with faults"
        checked={filter.onlyFaulty}
        onChange={(onlyFaulty) => set({ onlyFaulty })}
      />
      <p role="status" className="pb-1.5 text-soft">
        {shown} shown
      </p>
      {children}
    </section>
  );
}
