import { BOX, FieldLabel, FieldNote, useField, type Labelled } from "./Field";

type TextAreaFieldProps = Labelled & { value: string; onChange: (value: string) => void; maxLength?: number };

/** A few lines of text. */
export function TextAreaField(props: TextAreaFieldProps) {
  const { id, label, note, fault, described } = useField(props);
  return (
    <div>
      <FieldLabel id={id} label={label} hideLabel={props.hideLabel} />
      <textarea
        id={id}
        rows={3}
        className={`${BOX} w-full`}
        value={props.value}
        maxLength={props.maxLength ?? 2000}
        {...described}
        onChange={(event) => props.onChange(event.target.value)}
      />
      <FieldNote id={id} note={note} fault={fault} />
    </div>
  );
}
