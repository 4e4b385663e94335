import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import type { FactColumn } from "../api/schema";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";
import { moved, OrderButtons } from "../ui/OrderButtons";

type ColumnNamesProps = { names: string[]; isBusy: boolean; onChange: (columns: FactColumn[]) => void };

/** The columns of facts: named, moved, added and taken out together. */
export function ColumnNames({ names, isBusy, onChange }: ColumnNamesProps) {
  const [columns, setColumns] = useState<FactColumn[]>(() => names.map((name, was) => ({ name, was })));
  const isChanged = columns.length !== names.length || columns.some(({ name, was }, at) => was !== at || name !== names[at]);
  const set = (at: number, name: string) => setColumns(columns.map((column, place) => (place === at ? { ...column, name } : column)));
  return (
    <fieldset className="space-y-2">
      <legend className="font-serif text-lg font-semibold">Columns</legend>
      <ul className="space-y-1.5">
        {columns.map((column, at) => (
          <li key={column.was ?? `new ${at}`} className="flex items-center gap-1">
            <TextField label={`Column ${at + 1}`} hideLabel maxLength={80} className="min-w-0 flex-1" value={column.name} onChange={(name) => set(at, name)} />
            <OrderButtons name={column.name} index={at} count={columns.length} onMove={(to) => setColumns(moved(columns, at, to))} />
            <Button look="quiet" className="px-1.5" aria-label={`Take out column ${column.name}`} disabled={columns.length === 1} onClick={() => setColumns(columns.toSpliced(at, 1))}>
              <Trash2 aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setColumns([...columns, { name: `Column ${columns.length + 1}`, was: null }])}>
          <Plus aria-hidden /> Add a column
        </Button>
        <Button look={isChanged ? "main" : "plain"} disabled={!isChanged || isBusy} onClick={() => onChange(columns)}>
          Change the columns
        </Button>
      </div>
    </fieldset>
  );
}
