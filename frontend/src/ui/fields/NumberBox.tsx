import { BOX } from "./Field";

type NumberBoxProps = {
  id: string;
  /** Its name, where no label stands beside it. */
  name?: string;
  value: string;
  empty?: string | undefined;
  described: { "aria-invalid": boolean; "aria-describedby": string | undefined };
  isDecimal?: boolean;
  onChange: (text: string) => void;
  onBlur: () => void;
};

/** The box a number is typed into, as text until it is one. */
export function NumberBox({ id, name, value, empty, described, isDecimal, onChange, onBlur }: NumberBoxProps) {
  return (
    <input
      id={id}
      aria-label={name}
      inputMode={isDecimal ? "decimal" : "numeric"}
      className={`${BOX} w-24 text-right tabular-nums`}
      value={value}
      placeholder={empty}
      autoComplete="off"
      {...described}
      onChange={(event) => onChange(event.target.value)}
      onBlur={onBlur}
    />
  );
}
