import { detailsOf } from "../api/client";
import { ErrorNotice } from "../ui/Notice";
import { RefusedRows } from "./RefusedRows";

/** Why a file was not loaded. Nothing changed. */
export function FailedLoad({ error }: { error: unknown }) {
  const refused = detailsOf(error).refused;
  return (
    <div className="space-y-3">
      <ErrorNotice error={error} />
      {refused.length > 0 && <RefusedRows rows={refused} />}
    </div>
  );
}
