import { Check } from "lucide-react";

type FilterFieldProps = {
  label: string;
  tags: { name: string; count?: number }[];
  /** What it means that none is chosen. */
  none?: string;
  chosen: string[];
  onChange: (chosen: string[]) => void;
};

/** Which of some tags questions must have, each with how many there are. */
export function FilterField({ label, tags, none = "all are taken", chosen, onChange }: FilterFieldProps) {
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">
        {label} <span className="font-normal text-soft">{chosen.length === 0 ? none : ""}</span>
      </legend>
      <div className="flex flex-wrap gap-1.5">
        {tags.map((tag) => {
          const isChosen = chosen.includes(tag.name);
          return (
            <button
              key={tag.name}
              type="button"
              aria-pressed={isChosen}
              onClick={() => onChange(isChosen ? chosen.filter((name) => name !== tag.name) : [...chosen, tag.name])}
              className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-edge bg-card px-2.5 hover:bg-sun-pale aria-pressed:border-moss aria-pressed:bg-moss-pale"
            >
              {isChosen && <Check className="size-4" aria-hidden />}
              {tag.name} {tag.count !== undefined && <span className="text-soft tabular-nums">{tag.count}</span>}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
