import { useState } from "react";
import { FieldNote, useField } from "./Field";
import { NumberBox } from "./NumberBox";
import { inMs, secondsFault } from "./numbers";

type SecondsFieldProps = { label?: string; where?: string; ms: number; onChange: (ms: number) => void };

/** Seconds, with decimals, of what is kept as milliseconds. */
export function SecondsField(props: SecondsFieldProps) {
  const { where, ms, onChange } = props;
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? String(ms / 1000);
  const unread = secondsFault(shown, where);
  const { id, label, fault, described } = useField({ ...props, hint: "" }, unread);
  return (
    <div>
      <span className="inline-flex items-center gap-2">
        <NumberBox
          id={id}
          name={label}
          value={shown}
          described={described}
          isDecimal
          onChange={(text) => {
            setTyped(text);
            if (secondsFault(text, where) === undefined) onChange(inMs(text));
          }}
          onBlur={() => unread === undefined && setTyped(undefined)}
        />
        seconds
      </span>
      <FieldNote id={id} fault={fault} />
    </div>
  );
}
