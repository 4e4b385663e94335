import { RadioGroup, Switch } from "radix-ui";
import { useId, useState, type KeyboardEventHandler, type ReactNode, type Ref } from "react";
import { outOfBounds } from "./bounds";
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
  /** For those who must know where its caret stands. */
  field?: Ref<HTMLInputElement>;
  onCaret?: (caret: number) => void;
  onKeyDown?: KeyboardEventHandler<HTMLInputElement>;
};

/** A line of text. */
export function TextField(props: TextFieldProps) {
  const { label, hint, hideLabel, where, value, maxLength = 500, className, field, onChange, onCaret, onKeyDown } = props;
  const id = useId();
  const fault = useFaultAt(where);
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "mb-1 block font-semibold"}>
        {label}
      </label>
      <input
        id={id}
        ref={field}
        className={`${BOX} w-full`}
        value={value}
        maxLength={maxLength}
        onKeyDown={onKeyDown}
        onSelect={(event) => onCaret?.(event.currentTarget.selectionStart ?? value.length)}
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
  /** The place whose bounds it keeps to, if not its own. */
  boundsOf?: string;
};

/** A whole number. What is not one, or is out of bounds, is shown as such and never saved. */
export function NumberField(props: NumberFieldProps) {
  const { label, hideLabel, where, value, onChange, empty, suffix, boundsOf = where } = props;
  const id = useId();
  const found = useFaultAt(where);
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? (value === null ? "" : String(value));
  const unread = faultOf(shown, empty, typed === undefined ? undefined : boundsOf);
  const fault = unread ?? found;
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "mb-1 block font-semibold"}>
        {label}
      </label>
      <span className="inline-flex items-center gap-2">
        <NumberBox
          id={id}
          value={shown}
          empty={empty}
          fault={fault}
          onChange={(text) => {
            setTyped(text);
            if (faultOf(text, empty, boundsOf) === undefined) onChange(text.trim() ? Number(text) : null);
          }}
          onBlur={() => unread === undefined && setTyped(undefined)}
        />
        {suffix}
      </span>
      <FieldNote id={`${id}-note`} fault={fault} />
    </div>
  );
}

type NumberBoxProps = {
  id: string;
  /** Its name, where no label stands beside it. */
  label?: string;
  value: string;
  empty?: string | undefined;
  /** What is wrong in it, to be shown under the id with “-note”. */
  fault: string | undefined;
  isDecimal?: boolean;
  onChange: (text: string) => void;
  onBlur: () => void;
};

/** The box a number is typed into, as text until it is one. */
function NumberBox({ id, label, value, empty, fault, isDecimal, onChange, onBlur }: NumberBoxProps) {
  return (
    <input
      id={id}
      aria-label={label}
      inputMode={isDecimal ? "decimal" : "numeric"}
      className={`${BOX} w-24 text-right tabular-nums`}
      value={value}
      placeholder={empty}
      autoComplete="off"
      aria-invalid={fault !== undefined}
      aria-describedby={`${id}-note`}
      onChange={(event) => onChange(event.target.value)}
      onBlur={onBlur}
    />
  );
}

type SecondsFieldProps = { label: string; where?: string; ms: number; onChange: (ms: number) => void };

const SECONDS = /^\d{1,5}([.,]\d{1,3})?$/;

/** Seconds, with decimals, of what is kept as milliseconds. */
export function SecondsField({ label, where, ms, onChange }: SecondsFieldProps) {
  const id = useId();
  const found = useFaultAt(where);
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? String(ms / 1000);
  const unread = secondsFault(shown, where);
  const fault = unread ?? found;
  return (
    <div>
      <span className="inline-flex items-center gap-2">
        <NumberBox
          id={id}
          label={label}
          value={shown}
          fault={fault}
          isDecimal
          onChange={(text) => {
            setTyped(text);
            if (secondsFault(text, where) === undefined) onChange(inMs(text));
          }}
          onBlur={() => unread === undefined && setTyped(undefined)}
        />
        seconds
      </span>
      <FieldNote id={`${id}-note`} fault={fault} />
    </div>
  );
}

function faultOf(text: string, empty: string | undefined, boundsOf: string | undefined): string | undefined {
  const trimmed = text.trim();
  if (!trimmed) return empty === undefined ? "Give a whole number; the last one still holds." : undefined;
  const number = /^[-+]?\d{1,12}$/.test(trimmed) ? Number(trimmed) : NaN;
  if (Number.isNaN(number)) return "This is not a whole number; the last one still holds.";
  if (Math.abs(number) > BIGGEST) return "Stay within a thousand million; the last one still holds.";
  return outOfBounds(boundsOf, number);
}

const inMs = (text: string) => Math.round(Number(text.replace(",", ".")) * 1000);

function secondsFault(text: string, where: string | undefined): string | undefined {
  if (!SECONDS.test(text.trim())) return "Write seconds, such as 1.5; the last number still holds.";
  return outOfBounds(where, inMs(text), 1000);
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
