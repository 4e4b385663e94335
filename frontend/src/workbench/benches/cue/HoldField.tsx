import { SecondsField, SelectField, type Option } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";

type HoldFieldProps = {
  where: string;
  holdMs: number | null;
  untilContinue: boolean;
  /** What no time of its own means; left out where there must be one. */
  usual?: string;
  onChange: (holdMs: number | null, untilContinue: boolean) => void;
};

type Way = "usual" | "seconds" | "continue";

const FIRST_MS = 1500;

/** How long something holds the run: seconds, until the player goes on, or as usual. */
export function HoldField({ where, holdMs, untilContinue, usual, onChange }: HoldFieldProps) {
  const way: Way = untilContinue ? "continue" : holdMs === null ? "usual" : "seconds";
  const { label } = toldOf(where);
  const ways: Option<Way>[] = [
    { value: "continue", label: "until the player goes on" },
    { value: "seconds", label: "for some seconds" },
  ];
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label={label}
        value={way}
        options={usual === undefined ? ways : [{ value: "usual", label: usual }, ...ways]}
        onChange={(next) => onChange(next === "seconds" ? (holdMs ?? FIRST_MS) : null, next === "continue")}
      />
      {way === "seconds" && (
        <SecondsField label={`${label}, seconds`} where={where} ms={holdMs ?? FIRST_MS} onChange={(ms) => onChange(ms, false)} />
      )}
    </div>
  );
}
