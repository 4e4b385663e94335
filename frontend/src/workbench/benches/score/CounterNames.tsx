import type { CounterName } from "../../../api/schema";
import { SwitchField, TextField } from "../../../ui/fields";

type CounterNamesProps = {
  /** The counters of the rules. */
  counters: string[];
  names: CounterName[];
  onChange: (names: CounterName[]) => void;
};

/** What players read beside each counter, and which ones are kept from them. */
export function CounterNames({ counters, names, onChange }: CounterNamesProps) {
  const faceOf = (name: string) => names.find((face) => face.name === name) ?? { name, label: "", hidden: false };
  const set = (name: string, change: Partial<CounterName>) => {
    const face = { ...faceOf(name), ...change };
    const others = names.filter((other) => other.name !== name);
    onChange(face.label === "" && !face.hidden ? others : [...others, face]);
  };
  return (
    <details className="rounded-lg border border-line px-3 py-2">
      <summary className="cursor-pointer font-semibold">Counters, as players read them</summary>
      <ul className="mt-2 space-y-2">
        {counters.map((name) => (
          <li key={name} className="flex flex-wrap items-end gap-4">
            <b className="min-w-28 self-center font-mono">{name}</b>
            <TextField
              where="counters[0].label"
              label={`Players read for ${name}`}
              value={faceOf(name).label}
              maxLength={40}
              onChange={(label) => set(name, { label })}
            />
            <SwitchField where="counters[0].hidden" checked={faceOf(name).hidden} onChange={(hidden) => set(name, { hidden })} />
          </li>
        ))}
      </ul>
    </details>
  );
}
