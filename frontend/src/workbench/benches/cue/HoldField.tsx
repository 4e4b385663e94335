import { SecondsField, SelectField, type Option } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";

type HoldFieldProps = {
  where: string;
  holdMs: number | null;
  untilContinue: boolean;
  /** What no time of its own means; left out where there must be one. */
  usual?: string;
  /** Of what it is the hold, where its label is not seen. */
  name?: string;
  onChange: (holdMs: number | null, untilContinue: boolean) => void;
};

type Way = "usual" | "seconds" | "continue";

const FIRST_MS = 1500;

/** How long something holds the run: seconds, until the player goes on, or as usual. */
export function HoldField({ where, holdMs, untilContinue, usual, name, onChange }: HoldFieldProps) {
  const way: Way = untilContinue ? "continue" : holdMs === null ? "usual" : "seconds";
  const hideLabel = name !== undefined;
  const label = hideLabel ? `${toldOf(where).label}: ${name}` : toldOf(where).label;
  const ways: Option<Way>[] = [
    { value: "continue", label: "until the player goes on" },
    { value: "seconds", label: "for some seconds" },
  ];
  return (
    <div className={`flex flex-wrap items-end ${hideLabel ? "gap-1" : "gap-3"}`}>
      <SelectField
        hideLabel={hideLabel}
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
