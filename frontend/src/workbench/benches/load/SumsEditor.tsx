import { Trash2 } from "lucide-react";
import { VALUES } from "../../../api/parts";
import type { Span, Sums } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { NumberField, SelectField, SwitchField } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";

type SumsEditorProps = { sums: Sums; at: string; onChange: (sums: Sums) => void; onRemove: () => void };

/** Questions of arithmetic, made anew for every run. */
export function SumsEditor({ sums, at, onChange, onRemove }: SumsEditorProps) {
  const set = (change: Partial<Sums>) => onChange({ ...sums, ...change });
  return (
    <fieldset className="space-y-3 rounded-lg border border-line p-3">
      <legend className="px-1 font-serif text-lg font-semibold">Sums</legend>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <SelectField
          where={`${at}.operator`}
          value={sums.operator}
          options={VALUES.Operator}
          onChange={(operator) => set({ operator, turned: operator === "over", denominators: operator === "over" ? null : (sums.denominators ?? null) })}
        />
        <SpanField where={`${at}.left`} span={sums.left} onChange={(left) => set({ left })} />
        <SpanField where={`${at}.right`} span={sums.right} onChange={(right) => set({ right })} />
        <NumberField
          where={`${at}.cap`}
          value={sums.cap ?? null}
          onChange={(cap) => set({ cap })}
        />
      </div>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <NumberField
          where={`${at}.choices`}
          value={sums.choices || null}
          onChange={(choices) => set({ choices: choices ?? 0 })}
        />
        <NumberField
          where={`${at}.count`}
          value={sums.count}
          onChange={(count) => count !== null && set({ count })}
        />
        <SwitchField where={`${at}.negative`} checked={sums.negative} onChange={(negative) => set({ negative })} />
        {sums.choices > 0 && <NumberField where={`${at}.near`} value={sums.near ?? null} onChange={(near) => set({ near })} />}
        {sums.operator === "over" && <SwitchField where={`${at}.turned`} checked={sums.turned} onChange={(turned) => set({ turned })} />}
        <SwitchField
          where={`${at}.denominators`}
          checked={Boolean(sums.denominators)}
          onChange={(isOn) => set({ denominators: isOn ? { least: 2, most: 10 } : null })}
        />
        {sums.denominators && (
          <SpanField
            label="Denominator"
            where={`${at}.denominators`}
            span={sums.denominators}
            onChange={(denominators) => set({ denominators })}
          />
        )}
        <Button look="quiet" className="ml-auto px-2" aria-label="Remove these sums" onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </div>
    </fieldset>
  );
}

type SpanFieldProps = { label?: string; where: string; span: Span; onChange: (span: Span) => void };

function SpanField({ where, label = toldOf(where).label, span, onChange }: SpanFieldProps) {
  return (
    <div role="group" aria-label={label} className="flex items-end gap-1.5">
      <NumberField label={`${label} from`} where={where} boundsOf={`${where}.least`} value={span.least} onChange={(least) => least !== null && onChange({ ...span, least })} />
      <NumberField label="to" boundsOf={`${where}.most`} value={span.most} onChange={(most) => most !== null && onChange({ ...span, most })} />
    </div>
  );
}
