import { useId, type ReactNode } from "react";
import { useFaultAt } from "../faults";
import { toldOf } from "./told";

export const BOX =
  "min-h-9 rounded-lg border border-edge bg-card px-2.5 py-1 aria-invalid:border-2 aria-invalid:border-clay";

/** What every field can be given. A field that names its place in the document takes its label,
 * its hint and its bounds from there, and shows what is wrong there. */
export type Labelled = {
  where?: string;
  label?: string;
  hint?: ReactNode;
  hideLabel?: boolean;
};

/** What a field is called and told by, and the attributes that say so to a screen reader. */
export function useField({ where, label, hint }: Labelled, ownFault?: string) {
  const id = useId();
  const found = useFaultAt(where);
  const told = toldOf(where);
  const fault = ownFault ?? found;
  const note = hint ?? told.hint;
  return {
    id,
    label: label ?? told.label,
    note,
    fault,
    described: { "aria-invalid": fault !== undefined, "aria-describedby": note || fault ? `${id}-note` : undefined },
  };
}

type FieldLabelProps = { id: string; label: string; hideLabel?: boolean | undefined };

/** The words above a field. */
export function FieldLabel({ id, label, hideLabel }: FieldLabelProps) {
  return (
    <label htmlFor={id} className={hideLabel ? "sr-only" : "mb-1 block font-semibold"}>
      {label}
    </label>
  );
}

type FieldNoteProps = { id: string; note?: ReactNode; fault: string | undefined };

/** What stands under a field: what it does, and what is wrong in it. */
export function FieldNote({ id, note, fault }: FieldNoteProps) {
  if (!note && !fault) return null;
  return (
    <div id={`${id}-note`} className="mt-0.5 text-sm text-soft">
      {note}
      {fault && (
        <p role="alert" className="font-semibold text-clay-dark">
          {fault}
        </p>
      )}
    </div>
  );
}
