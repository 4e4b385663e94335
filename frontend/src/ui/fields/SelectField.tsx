import { BOX, FieldLabel, FieldNote, useField } from "./Field";

export type Option<T> = { value: T; label: string };

type SelectFieldProps<T extends string> = {
  where?: string;
  label?: string;
  hideLabel?: boolean;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
};

/** One of several, in a list that opens. */
export function SelectField<T extends string>(props: SelectFieldProps<T>) {
  const { value, options, onChange } = props;
  const { id, label, fault, described } = useField({ ...props, hint: "" });
  return (
    <div className="min-w-0">
      <FieldLabel id={id} label={label} hideLabel={props.hideLabel} />
      <select
        id={id}
        value={value}
        {...described}
        className={`${BOX} max-w-full ${props.hideLabel ? "w-full" : ""}`}
        onChange={(event) => {
          const chosen = options.find((option) => option.value === event.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      <FieldNote id={id} fault={fault} />
    </div>
  );
}
