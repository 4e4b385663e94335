import { VALUES } from "../api/parts";
import type { Seen } from "../api/schema";

type MindsProps = { minds: Seen[]; onChange: (minds: Seen[]) => void };

/** What of the pages must stay as it is for a run to hold. */
export function Minds({ minds, onChange }: MindsProps) {
  return (
    <fieldset>
      <legend className="font-semibold">It also checks, word for word,</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {VALUES.Seen.map(({ value, label }) => (
          <label key={value} className="inline-flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              className="size-4 accent-moss"
              checked={minds.includes(value)}
              onChange={(event) => onChange(event.target.checked ? [...minds, value] : minds.filter((one) => one !== value))}
            />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
