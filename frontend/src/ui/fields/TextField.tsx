import type { KeyboardEventHandler, Ref } from "react";
import { BOX, FieldLabel, FieldNote, useField, type Labelled } from "./Field";

type TextFieldProps = Labelled & {
  value: string;
  onChange: (value: string) => void;
  maxLength?: number;
  /** What stands for nothing typed. */
  placeholder?: string;
  className?: string;
  /** For those who must know where its caret stands. */
  field?: Ref<HTMLInputElement>;
  onCaret?: (caret: number) => void;
  onKeyDown?: KeyboardEventHandler<HTMLInputElement>;
};

/** A line of text. */
export function TextField(props: TextFieldProps) {
  const { hideLabel, value, maxLength = 500, className, field, onChange, onCaret, onKeyDown } = props;
  const { id, label, note, fault, described } = useField(props);
  return (
    <div className={className}>
      <FieldLabel id={id} label={label} hideLabel={hideLabel} />
      <input
        id={id}
        ref={field}
        dir="auto"
        className={`${BOX} w-full placeholder:text-soft`}
        value={value}
        maxLength={maxLength}
        placeholder={props.placeholder}
        onKeyDown={onKeyDown}
        onSelect={(event) => onCaret?.(event.currentTarget.selectionStart ?? value.length)}
        autoComplete="off"
        {...described}
        onChange={(event) => onChange(event.target.value)}
      />
      <FieldNote id={id} note={note} fault={fault} />
    </div>
  );
}
