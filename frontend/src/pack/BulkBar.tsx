import { useState } from "react";
import type { Details } from "../api/schema";
import { counted } from "../app/format";
import { Button } from "../ui/Button";
import { SelectField, TextField } from "../ui/fields";
import { numberFault } from "./columns";

type BulkField = "topic" | "level" | "worth" | "seconds";

type BulkBarProps = {
  count: number;
  onDetails: (details: Partial<Details>) => void;
  onDelete: () => void;
  onClear: () => void;
};

/** What can be done with all rows chosen at once. */
export function BulkBar({ count, onDetails, onDelete, onClear }: BulkBarProps) {
  const [field, setField] = useState<BulkField>("topic");
  const [value, setValue] = useState("");
  if (count === 0) return null;
  const isFit = field === "topic" || numberFault(value) === undefined;
  return (
    <form
      aria-label="Chosen rows"
      className="mx-3 mt-3 flex flex-wrap items-end gap-3 rounded-lg border border-moss bg-moss-pale px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (isFit) onDetails({ [field]: field === "topic" ? value.trim() : value.trim() ? Number(value) : null });
      }}
    >
      <p role="status" className="pb-1.5 font-semibold">
        {counted(count, "row")} chosen
      </p>
      <SelectField
        label="Set"
        value={field}
        options={[
          ["topic", "topic"],
          ["level", "level"],
          ["worth", "worth"],
          ["seconds", "seconds"],
        ]}
        onChange={setField}
      />
      <TextField label="To" className="w-32" value={value} onChange={setValue} />
      <Button type="submit" disabled={!isFit}>
        Set them all
      </Button>
      <Button onClick={onDelete}>Delete them</Button>
      <Button look="quiet" onClick={onClear}>
        Choose none
      </Button>
    </form>
  );
}
