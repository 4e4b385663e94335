/** A point of a picture: across and down, each in tenths of a percent. */
export type Point = [number, number];

export const WHOLE = 1000;
const FIRST_POINT = 1000;

/** The number by which a point is given as an answer. */
export function numberOf([across, down]: Point): number {
  return FIRST_POINT + down * (WHOLE + 1) + across;
}

/** The point at a place of a box on the page. */
export function pointAt(box: { left: number; top: number; width: number; height: number }, x: number, y: number): Point {
  const within = (part: number) => Math.round(WHOLE * Math.min(1, Math.max(0, part)));
  return [within((x - box.left) / box.width), within((y - box.top) / box.height)];
}

const STEPS: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** The point after a key that moves it, by two percent or with Shift by ten; undefined for another key. */
export function movedBy([across, down]: Point, key: string, isFar: boolean): Point | undefined {
  const step = STEPS[key];
  if (!step) return undefined;
  const by = isFar ? 100 : 20;
  const within = (at: number) => Math.min(WHOLE, Math.max(0, at));
  return [within(across + step[0] * by), within(down + step[1] * by)];
}

/** Points with one more, or without one that is about there already. */
export function toggled(points: Point[], point: Point): Point[] {
  const isNear = (other: Point) => Math.abs(other[0] - point[0]) <= 30 && Math.abs(other[1] - point[1]) <= 30;
  return points.some(isNear) ? points.filter((other) => !isNear(other)) : [...points, point];
}
