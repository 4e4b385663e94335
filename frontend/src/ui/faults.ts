import { createContext, useContext, useEffect } from "react";
import type { Problem } from "../api/schema";

type Faults = {
  problems: Problem[];
  /** Says that the problems of a place are shown there, until the function given back is called. */
  claim: (where: string) => () => void;
};

/** What is wrong in the document being edited, for its fields to show what is wrong in them. */
export const FaultsContext = createContext<Faults>({ problems: [], claim: () => () => undefined });

/** What is wrong at a place of the document, in words; its field shows it. */
export function useFaultAt(where: string | undefined): string | undefined {
  const { problems, claim } = useContext(FaultsContext);
  useEffect(() => (where === undefined ? undefined : claim(where)), [claim, where]);
  const found = problems.find((problem) => problem.where === where);
  return found && inWords(found);
}

/** A problem in one sentence. */
export function inWords({ what, mend }: Problem): string {
  return `${what.charAt(0).toUpperCase()}${what.slice(1)}; ${mend}.`;
}
