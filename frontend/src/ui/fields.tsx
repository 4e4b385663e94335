import { RadioGroup, Switch } from "radix-ui";
import { useId, useState, type ReactNode } from "react";
import { useFaultAt } from "./faults";

const BOX =
  "min-h-9 rounded-lg border border-edge bg-card px-2.5 py-1 aria-invalid:border-2 aria-invalid:border-clay";

type Labelled = {
  label: string;
  hint?: ReactNode;
  hideLabel?: boolean;
  /** The field's place in the document, for what is wrong there to be shown here. */
  where?: string;
};

type NoteProps = { id: string; hint?: ReactNode; fault: string | undefined };

/** What stands under a field: its hint, and what is wrong in it. */
function FieldNote({ id, hint, fault }: NoteProps) {
  if (!hint && !fault) return null;
  return (
    <div id={id} className="mt-1 text-sm text-soft">
      {hint}
      {fault && (
        <p role="alert" className="font-semibold text-clay-dark">
          {fault}
        </p>
      )}
    </div>
  );
}

type TextFieldProps = Labelled & {
  value: string;
  onChange: (value: string) => void;
  maxLength?: number;
  className?: string;
};

/** A line of text. */
export function TextField({ label, hint, hideLabel, where, value, onChange, ...rest }: TextFieldProps) {
  const id = useId();
  const fault = useFaultAt(where);
  return (
    <div className={rest.className}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "mb-1 block font-semibold"}>
        {label}
      </label>
      <input
        id={id}
        className={`${BOX} w-full`}
        value={value}
        maxLength={rest.maxLength ?? 500}
        autoComplete="off"
        aria-invalid={fault !== undefined}
        aria-describedby={`${id}-note`}
        onChange={(event) => onChange(event.target.value)}
      />
      <FieldNote id={`${id}-note`} hint={hint} fault={fault} />
    </div>
  );
}

type TextAreaFieldProps = Labelled & { value: string; onChange: (value: string) => void };

/** A few lines of text. */
export function TextAreaField({ label, hint, where, value, onChange }: TextAreaFieldProps) {
  const id = useId();
  const fault = useFaultAt(where);
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={3}
        className={`${BOX} w-full`}
        value={value}
        maxLength={2000}
        aria-invalid={fault !== undefined}
        aria-describedby={`${id}-note`}
        onChange={(event) => onChange(event.target.value)}
      />
      <FieldNote id={`${id}-note`} hint={hint} fault={fault} />
    </div>
  );
}

const BIGGEST = 1_000_000_000;

type NumberFieldProps = Labelled & {
  value: number | null;
  onChange: (value: number | null) => void;
  /** What an empty field means; without it a number must be there. */
  empty?: string;
  suffix?: string;
};

/** A whole number. What is not one is shown as such and never saved. */
export function NumberField({ label, hideLabel, where, value, onChange, empty, suffix }: NumberFieldProps) {
  const id = useId();
  const found = useFaultAt(where);
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? (value === null ? "" : String(value));
  const unread = faultOf(shown, empty);
  const fault = unread ?? found;
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "mb-1 block font-semibold"}>
        {label}
      </label>
      <span className="inline-flex items-center gap-2">
        <input
          id={id}
          inputMode="numeric"
          className={`${BOX} w-24 text-right tabular-nums`}
          value={shown}
          placeholder={empty}
          autoComplete="off"
          aria-invalid={fault !== undefined}
          aria-describedby={`${id}-note`}
          onChange={(event) => {
            const text = event.target.value;
            setTyped(text);
            if (faultOf(text, empty) === undefined) onChange(text.trim() ? Number(text) : null);
          }}
          onBlur={() => unread === undefined && setTyped(undefined)}
        />
        {suffix}
      </span>
      <FieldNote id={`${id}-note`} fault={fault} />
    </div>
  );
}

function faultOf(text: string, empty: string | undefined): string | undefined {
  const trimmed = text.trim();
  if (!trimmed) return empty === undefined ? "Give a whole number; the last one still holds." : undefined;
  const number = /^[-+]?\d{1,12}$/.test(trimmed) ? Number(trimmed) : NaN;
  if (Number.isNaN(number)) return "This is not a whole number; the last one still holds.";
  if (Math.abs(number) > BIGGEST) return "Stay within a thousand million; the last one still holds.";
  return undefined;
}

type SwitchFieldProps = Labelled & { checked: boolean; onChange: (checked: boolean) => void };

/** Something that is on or off. */
export function SwitchField({ label, hint, checked, onChange }: SwitchFieldProps) {
  const id = useId();
  return (
    <div className="flex items-start gap-3">
      <Switch.Root
        id={id}
        checked={checked}
        onCheckedChange={onChange}
        aria-describedby={hint ? `${id}-hint` : undefined}
        className="mt-0.5 h-6 w-11 shrink-0 rounded-full border border-edge bg-card p-0.5 transition-colors data-[state=checked]:border-moss data-[state=checked]:bg-moss"
      >
        <Switch.Thumb className="block size-4.5 rounded-full bg-edge transition-transform data-[state=checked]:translate-x-5 data-[state=checked]:bg-card" />
      </Switch.Root>
      <div>
        <label htmlFor={id} className="font-semibold">
          {label}
        </label>
        {hint && (
          <p id={`${id}-hint`} className="text-sm text-soft">
            {hint}
          </p>
        )}
      </div>
    </div>
  );
}

type ChoiceFieldProps<T extends string> = {
  label: string;
  value: T;
  options: { value: T; label: string; hint: string }[];
  onChange: (value: T) => void;
};

/** One of a few ways. */
export function ChoiceField<T extends string>({ label, value, options, onChange }: ChoiceFieldProps<T>) {
  const id = useId();
  return (
    <div>
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(chosen) => {
          const option = options.find((candidate) => candidate.value === chosen);
          if (option) onChange(option.value);
        }}
        className="grid gap-2 sm:grid-cols-2"
      >
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="flex items-start gap-2.5 rounded-lg border border-edge bg-card px-3 py-2 text-left data-[state=checked]:border-moss data-[state=checked]:bg-moss-pale"
          >
            <span className="mt-0.5 grid size-4.5 shrink-0 place-items-center rounded-full border-2 border-ink bg-card">
              <RadioGroup.Indicator className="size-2 rounded-full bg-ink" />
            </span>
            <span>
              <span className="block font-semibold">{option.label}</span>
              <span className="block text-sm text-soft">{option.hint}</span>
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}

type SelectFieldProps<T extends string> = {
  label: string;
  where?: string;
  value: T;
  options: [T, string][];
  onChange: (value: T) => void;
};

/** One of several, in a list that opens. */
export function SelectField<T extends string>({ label, where, value, options, onChange }: SelectFieldProps<T>) {
  const id = useId();
  const fault = useFaultAt(where);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <select
        id={id}
        value={value}
        aria-invalid={fault !== undefined}
        aria-describedby={`${id}-note`}
        className={`${BOX} max-w-full`}
        onChange={(event) => {
          const chosen = options.find(([option]) => option === event.target.value);
          if (chosen) onChange(chosen[0]);
        }}
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
      <FieldNote id={`${id}-note`} fault={fault} />
    </div>
  );
}
