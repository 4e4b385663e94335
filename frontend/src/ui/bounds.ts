import { BOUNDS } from "../api/parts";

/** Why a number cannot stand at a place of a game or question; undefined if it can. What is
 * kept in thousandths is told in whole ones, with `scale` 1000. */
export function outOfBounds(where: string | undefined, value: number, scale = 1): string | undefined {
  const bounds = where === undefined ? undefined : BOUNDS[where.replace(/\[\d+\]/g, "[]")];
  if (!bounds || (bounds[0] <= value && value <= bounds[1])) return undefined;
  const [least, most] = bounds.map((bound) => (bound / scale).toLocaleString("en"));
  return `Keep within ${least} and ${most}; the last number still holds.`;
}
