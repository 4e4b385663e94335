import { useState } from "react";
import type { Choice } from "../../api/evidence";
import type { EvidenceView } from "../../api/schema";
import { dayBegins } from "../../app/format";
import { SelectField } from "../../ui/fields";

type ChosenRunsProps = { told: EvidenceView; choice: Choice; onChange: (choice: Choice) => void };

/** Which runs are looked at: of a version, a player, between two days. */
export function ChosenRuns({ told, choice, onChange }: ChosenRunsProps) {
  const set = (name: keyof Choice, value: string | number | undefined) => {
    const rest = Object.entries(choice).filter(([other]) => other !== name);
    onChange(Object.fromEntries(value === undefined ? rest : [...rest, [name, value]]));
  };
  return (
    <>
      <SelectField
        label="Version"
        value={String(choice.revision ?? "")}
        options={[
          { value: "", label: "all" },
          ...told.revisions.map((number) => ({ value: String(number), label: String(number) })),
        ]}
        onChange={(next) => set("revision", next ? Number(next) : undefined)}
      />
      <SelectField
        label="Player"
        value={choice.player ?? ""}
        options={[{ value: "", label: "everybody" }, ...told.players.map((name) => ({ value: name, label: name }))]}
        onChange={(next) => set("player", next || undefined)}
      />
      <Day label="From" onChange={(since) => set("since", since)} />
      <Day label="Before" onChange={(before) => set("before", before)} />
    </>
  );
}

function Day({ label, onChange }: { label: string; onChange: (moment: string | undefined) => void }) {
  const [day, setDay] = useState("");
  return (
    <label className="font-semibold">
      <span className="mb-1 block">{label}</span>
      <input
        type="date"
        value={day}
        onChange={({ target }) => {
          setDay(target.value);
          onChange(target.value ? dayBegins(target.value) : undefined);
        }}
        className="min-h-9 rounded-lg border border-edge bg-card px-2.5 font-normal"
      />
    </label>
  );
}
