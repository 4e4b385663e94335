import { useCallback, useMemo, useState, type ReactNode } from "react";
import type { Problem } from "../api/schema";
import { FaultsContext, inWords } from "../ui/faults";

/** Gives the fields of a bench what is wrong in them, and lists above them what no field shows. */
export function BenchFaults({ problems, children }: { problems: Problem[]; children: ReactNode }) {
  const [claimed, setClaimed] = useState<string[]>([]);
  const claim = useCallback((where: string) => {
    setClaimed((old) => [...old, where]);
    return () => setClaimed((old) => old.toSpliced(old.indexOf(where), 1));
  }, []);
  const faults = useMemo(() => ({ problems, claim }), [problems, claim]);
  const others = problems.filter(({ where }) => !claimed.includes(where));
  return (
    <FaultsContext value={faults}>
      {others.length > 0 && (
        <ul aria-label="Found by the survey" className="mb-4 max-h-40 shrink-0 space-y-1 overflow-auto">
          {others.map((problem) => (
            <li key={problem.where + problem.what} className="border-l-4 border-sun pl-3">
              <b>{problem.severity === "fault" ? "Fault:" : "Warning:"}</b> {inWords(problem)}
            </li>
          ))}
        </ul>
      )}
      {children}
    </FaultsContext>
  );
}
