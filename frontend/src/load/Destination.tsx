import { usePacks } from "../api/packs";
import type { Comparison, Target } from "../api/schema";
import { SelectField, TextField } from "../ui/fields";

type DestinationProps = {
  target: Target;
  comparison: Comparison | null;
  onChange: (target: Target) => void;
};

/** Where the questions go: a new pack, or one on the shelf, and what that would do to it. */
export function Destination({ target, comparison, onChange }: DestinationProps) {
  const packs = usePacks();
  const options = [{ value: "new", label: "a new pack" }];
  for (const pack of packs.data ?? []) {
    options.push({ value: `add ${pack.id}`, label: `add to ${pack.title}` }, { value: `replace ${pack.id}`, label: `replace ${pack.title}` });
  }
  return (
    <div className="space-y-2">
      <SelectField
        label="They go into"
        value={target.into === "new" ? "new" : `${target.into} ${target.pack_id}`}
        options={options}
        onChange={(chosen) => {
          const [into, pack_id = ""] = chosen.split(" ");
          onChange({ into: into === "add" || into === "replace" ? into : "new", pack_id, title: "" });
        }}
      />
      {target.into === "new" && (
        <TextField
          label="Title of the pack"
          value={target.title}
          hint="If empty, it gets the name of its file or of its first question."
          maxLength={200}
          onChange={(title) => onChange({ ...target, title })}
        />
      )}
      {comparison && (
        <p>
          {comparison.added} added, {comparison.changed} changed, {comparison.gone} gone, {comparison.same} the same.
        </p>
      )}
    </div>
  );
}
