import type { KeyboardEventHandler, Ref } from "react";
import { BOX, FieldLabel, FieldNote, useField, type Labelled } from "./Field";

type TextAreaFieldProps = Labelled & {
  value: string;
  onChange: (value: string) => void;
  maxLength?: number;
  /** For those who must know where its caret stands. */
  field?: Ref<HTMLTextAreaElement>;
  onCaret?: (caret: number) => void;
  onKeyDown?: KeyboardEventHandler<HTMLTextAreaElement>;
};

/** A few lines of text. */
export function TextAreaField(props: TextAreaFieldProps) {
  const { hideLabel, value, maxLength = 2000, field, onChange, onCaret, onKeyDown } = props;
  const { id, label, note, fault, described } = useField(props);
  return (
    <div>
      <FieldLabel id={id} label={label} hideLabel={hideLabel} />
      <textarea
        id={id}
        rows={3}
        ref={field}
        dir="auto"
        onKeyDown={onKeyDown}
        onSelect={(event) => onCaret?.(event.currentTarget.selectionStart)}
        className={`${BOX} w-full`}
        value={value}
        maxLength={maxLength}
        {...described}
        onChange={(event) => onChange(event.target.value)}
      />
      <FieldNote id={id} note={note} fault={fault} />
    </div>
  );
}
