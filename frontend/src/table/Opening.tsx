import { Play } from "lucide-react";
import type { Table } from "../api/schema";
import { counted } from "../app/format";
import { Button } from "../ui/Button";

/** The table before the run has begun. */
export function Opening({ table, onBegin }: { table: Table; onBegin: () => void }) {
  return (
    <div className="m-auto max-w-md py-6 text-center">
      <h2 className="text-4xl text-balance">{table.title || "A game without a title"}</h2>
      <p className="mt-3 text-soft">{counted(table.length, "question")}</p>
      <Button look="main" data-next className="mt-5 px-6 text-lg" onClick={onBegin}>
        <Play aria-hidden /> Begin
      </Button>
    </div>
  );
}
