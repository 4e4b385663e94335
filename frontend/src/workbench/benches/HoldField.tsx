import { SecondsField, SelectField } from "../../ui/fields";

type HoldFieldProps = {
  label: string;
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
export function HoldField({ label, where, holdMs, untilContinue, usual, onChange }: HoldFieldProps) {
  const way: Way = untilContinue ? "continue" : holdMs === null ? "usual" : "seconds";
  const ways: [Way, string][] = [
    ["continue", "until the player goes on"],
    ["seconds", "for some seconds"],
  ];
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label={label}
        value={way}
        options={usual === undefined ? ways : [["usual", usual], ...ways]}
        onChange={(next) => onChange(next === "seconds" ? (holdMs ?? FIRST_MS) : null, next === "continue")}
      />
      {way === "seconds" && (
        <SecondsField label={`${label}, seconds`} where={where} ms={holdMs ?? FIRST_MS} onChange={(ms) => onChange(ms, false)} />
      )}
    </div>
  );
}
