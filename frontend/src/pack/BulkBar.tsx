import { useState, type ReactNode } from "react";
import { NUMBER_DETAILS, TEXT_DETAILS } from "../api/parts";
import type { Details } from "../api/schema";
import { counted } from "../app/format";
import { Button } from "../ui/Button";
import { SelectField, TextField } from "../ui/fields";
import { numberFault } from "../ui/fields/numbers";

const FIELDS_SET = [...TEXT_DETAILS, ...NUMBER_DETAILS];

type BulkField = (typeof FIELDS_SET)[number]["name"];

type BulkBarProps = {
  count: number;
  onDetails: (details: Partial<Details>) => void;
  onDelete: () => void;
  onClear: () => void;
  children: ReactNode;
};

/** What can be done with all rows chosen at once. */
export function BulkBar({ count, onDetails, onDelete, onClear, children }: BulkBarProps) {
  const [field, setField] = useState<BulkField>("topic");
  const [value, setValue] = useState("");
  if (count === 0) return null;
  const isNumber = NUMBER_DETAILS.some(({ name }) => name === field);
  const fault = isNumber ? numberFault(value, "none", `details.${field}`) : undefined;
  return (
    <form
      aria-label="Chosen rows"
      className="mx-3 mt-3 flex flex-wrap items-end gap-3 rounded-lg border border-moss bg-moss-pale px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        const text = value.trim();
        if (!fault) onDetails({ [field]: !isNumber ? text : text ? Number(text) : null });
      }}
    >
      <p role="status" className="pb-1.5 font-semibold">
        {counted(count, "row")} chosen
      </p>
      <SelectField
        label="Set"
        value={field}
        options={FIELDS_SET.map(({ name, label }) => ({ value: name, label }))}
        onChange={setField}
      />
      <TextField label="To" className="w-32" hint={fault} value={value} onChange={setValue} />
      <Button type="submit" disabled={fault !== undefined}>
        Set them all
      </Button>
      <Button onClick={onDelete}>Delete them</Button>
      {children}
      <Button look="quiet" onClick={onClear}>
        Choose none
      </Button>
    </form>
  );
}
