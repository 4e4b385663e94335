import { Table } from "../table/Table";
import { ErrorNotice, Notice } from "../ui/Notice";
import type { TableRun } from "./useTableRun";

/** The game as it now stands, to be played beside any bench. */
export function TablePane({ table }: { table: TableRun }) {
  return (
    <section aria-label="Table" className="flex min-h-0 flex-col overflow-auto rounded-xl border border-edge bg-card p-4 shadow-sm">
      {table.restarted && <Notice>{table.restarted}</Notice>}
      {table.error !== undefined && <ErrorNotice error={table.error} />}
      {table.run && (
        <div className="flex flex-1 flex-col pt-1">
          <Table
            table={table.run.table}
            runId={table.run.id}
            isBusy={table.isBusy}
            onAction={table.act}
            onAgain={() => table.roll()}
          />
        </div>
      )}
    </section>
  );
}
