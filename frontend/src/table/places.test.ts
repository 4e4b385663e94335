import { describe, expect, it } from "vitest";
import { movedBy, numberOf, pointAt, toggled, type Point } from "./places";

describe("places", () => {
  it("are points of the picture, whatever its size, and have numbers of their own", () => {
    const box = { left: 10, top: 20, width: 200, height: 50 };
    expect(pointAt(box, 10, 20)).toEqual([0, 0]);
    expect(pointAt(box, 110, 45)).toEqual([500, 500]);
    expect(pointAt(box, 999, -5)).toEqual([1000, 0]);
    const numbers = new Set<number>();
    for (let across = 0; across <= 1000; across += 50) {
      for (let down = 0; down <= 1000; down += 50) numbers.add(numberOf([across, down]));
    }
    expect(numbers.size).toBe(21 * 21);
    expect(Math.min(...numbers)).toBe(1000);
  });

  it("are moved by arrows, and stay in the picture", () => {
    expect(movedBy([500, 500], "ArrowLeft", false)).toEqual([480, 500]);
    expect(movedBy([500, 500], "ArrowDown", true)).toEqual([500, 600]);
    expect(movedBy([10, 990], "ArrowLeft", true)).toEqual([0, 990]);
    expect(movedBy([10, 990], "ArrowDown", true)).toEqual([10, 1000]);
    expect(movedBy([10, 990], "a", false)).toBeUndefined();
  });

  it("are taken back where they are pointed at again", () => {
    const points: Point[] = [[100, 100], [500, 500]];
    expect(toggled(points, [110, 90])).toEqual([[500, 500]]);
    expect(toggled(points, [200, 100])).toEqual([...points, [200, 100]]);
  });
});
