import { ChevronDown, ChevronUp, Footprints as FootprintsIcon } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { Footprint } from "../../api/schema";
import { seconds } from "../../app/format";
import { Button } from "../../ui/Button";
import { stopName } from "../stops";

/** What happened in the run so far, in order, the newest in sight. */
export function Footprints({ footprints }: { footprints: Footprint[] }) {
  const [isOpen, setIsOpen] = useState(false);
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (list.current) list.current.scrollTop = list.current.scrollHeight;
  }, [footprints, isOpen]);
  return (
    <section aria-labelledby="footprints" className="flex shrink-0 flex-col border-t border-line bg-card">
      <div className="flex items-center gap-2 px-4 py-0.5">
        <FootprintsIcon className="size-5" aria-hidden />
        <h2 id="footprints" className="text-lg">
          Footprints
        </h2>
        <span className="text-soft">{footprints.length} so far</span>
        <Button look="quiet" className="ml-auto" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
          {isOpen ? <ChevronDown aria-hidden /> : <ChevronUp aria-hidden />}
          {isOpen ? "Fold" : "Unfold"}
        </Button>
      </div>
      <ol
        ref={list}
        tabIndex={0}
        aria-labelledby="footprints"
        className={`overflow-auto border-t border-line ${isOpen ? "h-[55vh]" : "h-[6.8rem]"}`}
      >
        {footprints.map((footprint, index) => (
          // A footprint has no identity but its place in the row, and none is ever moved.
          <li key={index} className="grid grid-cols-[2.5rem_4rem_6rem_1fr_auto] gap-x-3 px-4 py-0.5 odd:bg-paper">
            <span className="text-right text-soft tabular-nums">{index + 1}</span>
            <span className="text-right text-soft tabular-nums">{seconds(footprint.at)}</span>
            <span className="font-semibold">{stopName(footprint.stop)}</span>
            <span className="min-w-0 break-words">{footprint.why}</span>
            <span className="text-right font-semibold text-sky tabular-nums">
              {footprint.changes.map((change) => (
                <span key={change.name} className="ml-3 inline-block">
                  {change.name} {change.before === null ? "" : `${change.before} → `}
                  {change.after}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
