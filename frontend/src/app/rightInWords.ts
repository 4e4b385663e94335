import type { Question } from "../api/schema";

/** What is right of a question, as a maker reads it: any of it, all of it, or one after the other. */
export function rightInWords({ right, kind, details }: Question): string {
  if (kind === "order") return right.join(", then ");
  if (kind === "match" || kind === "gaps") return right.join(", ");
  if (kind === "estimate") return `${right.join("")} ${details.unit}`.trim() + ` (${details.least} to ${details.most})`;
  return right.join(details.needs === "all" ? " and " : " or ");
}
