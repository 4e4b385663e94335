import { useState } from "react";
import { FieldLabel, FieldNote, useField, type Labelled } from "./Field";
import { NumberBox } from "./NumberBox";
import { numberFault } from "./numbers";
import { toldOf, unitOf } from "./told";

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
  const { where, hideLabel, value, onChange, boundsOf = where, suffix = unitOf(where) } = props;
  const empty = props.empty ?? (toldOf(where).empty || undefined);
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? (value === null ? "" : String(value));
  const unread = numberFault(shown, empty, typed === undefined ? undefined : boundsOf);
  const { id, label, fault, described } = useField({ ...props, hint: "" }, unread);
  return (
    <div>
      <FieldLabel id={id} label={label} hideLabel={hideLabel} />
      <span className="inline-flex items-center gap-2">
        <NumberBox
          id={id}
          value={shown}
          empty={empty}
          described={described}
          onChange={(text) => {
            setTyped(text);
            if (numberFault(text, empty, boundsOf) === undefined) onChange(text.trim() ? Number(text) : null);
          }}
          onBlur={() => unread === undefined && setTyped(undefined)}
        />
        {suffix}
      </span>
      <FieldNote id={id} fault={fault} />
    </div>
  );
}
