import { FIELDS, type Field } from "../../api/parts";

const UNTOLD: Field = { label: "", hint: "", empty: "", short: "", within: null };

/** What the document says of the field at a place of a game or question. */
export function toldOf(where: string | undefined): Field {
  return (where === undefined ? undefined : FIELDS[where.replace(/\[\d+\]/g, "[]")]) ?? UNTOLD;
}

/** Why a number cannot stand at a place of a game or question; undefined if it can. What is
 * kept in thousandths is told in whole ones, with `scale` 1000. */
export function outOfBounds(where: string | undefined, value: number, scale = 1): string | undefined {
  const { within } = toldOf(where);
  if (!within || (within[0] <= value && value <= within[1])) return undefined;
  const [least, most] = within.map((bound) => (bound / scale).toLocaleString("en"));
  return `Keep within ${least} and ${most}; the last number still holds.`;
}

/** What stands beside a number: in what it counts, and its bounds where they are near. */
export function unitOf(where: string | undefined): string {
  const { hint, within } = toldOf(where);
  const bounds = within && within[1] <= 100 ? `${within[0]} to ${within[1]}` : "";
  return [hint, bounds].filter(Boolean).join(", ");
}
