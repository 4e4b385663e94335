import { memo } from "react";
import type { StepView } from "../../api/schema";
import { seconds } from "../../app/format";
import { stopName } from "../../app/stops";

type StepRowsProps = {
  step: StepView;
  number: number;
  /** Before (-1), at (0) or after (1) the step shown. */
  place: number;
  onShow: (step: number) => void;
};

const LOOKS = new Map([
  [0, "bg-sun-pale"],
  [1, "text-soft"],
]);

/** The footprints of one step. Made anew only when the step shown passes it. */
export const StepRows = memo(
  function StepRows({ step, number, place, onShow }: StepRowsProps) {
    return step.footprints.map((footprint, index) => (
      <li
        key={index}
        data-shown={place === 0}
        className={`grid grid-cols-[2.5rem_4.5rem_5.5rem_1fr_auto] gap-x-3 px-4 py-0.5 ${LOOKS.get(place) ?? ""}`}
      >
        <button
          type="button"
          aria-label={`Show step ${number + 1}`}
          onClick={() => onShow(number)}
          className="rounded text-right text-soft tabular-nums hover:underline"
        >
          {number + 1}
        </button>
        <span className="text-right text-soft tabular-nums">{seconds(footprint.at)}</span>
        <span className="font-semibold">{stopName(footprint.stop)}</span>
        <span className="min-w-0 break-words">
          {footprint.why}{" "}
          {footprint.lines.length > 0 && (
            <span className="ml-2 text-sm text-soft">
              {footprint.lines.length === 1 ? "line" : "lines"} {footprint.lines.join(", ")}
            </span>
          )}
        </span>
        <span className="text-right font-semibold text-sky tabular-nums">
          {footprint.changes.map((change) => (
            <span key={change.name} className="ml-3 inline-block">
              {change.name} {change.before === null ? "" : `${change.before} → `}
              {change.after}
            </span>
          ))}
        </span>
      </li>
    ));
  },
  (before, after) => before.step === after.step && before.number === after.number && before.place === after.place,
);
