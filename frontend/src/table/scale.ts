import type { ScaleShown } from "../api/schema";

/** The number at a point of a scale, from 0: whole numbers of the last decimal are added, which is exact. */
export function numberAt({ first, step, decimals }: ScaleShown, point: number): number {
  return (first + point * step) / 10 ** decimals;
}
