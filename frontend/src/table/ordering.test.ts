import { expect, test } from "vitest";
import { movedTo, typedNext } from "./ordering";

const ORDER = [3, 1, 4, 2];

/** Every order of some places. */
function orders(places: number[]): number[][] {
  if (places.length < 2) return [places];
  return places.flatMap((place) => orders(places.filter((other) => other !== place)).map((rest) => [place, ...rest]));
}

test("a choice that is moved stands where it was put, and the others keep their order", () => {
  for (const place of ORDER) {
    for (let to = -1; to <= ORDER.length; to += 1) {
      const moved = movedTo(ORDER, place, to);
      expect(moved.indexOf(place)).toBe(Math.max(0, Math.min(to, ORDER.length - 1)));
      expect(moved.filter((other) => other !== place)).toEqual(ORDER.filter((other) => other !== place));
    }
  }
});

test("whatever order is typed letter by letter, the choices then have it, and typing again begins anew", () => {
  for (const wanted of [...orders([1, 2, 3, 4])]) {
    let at = { order: ORDER, typed: 0 };
    for (const place of [...wanted, ...wanted]) at = typedNext(at.order, at.typed, place);
    expect(at).toEqual({ order: wanted, typed: 4 });
  }
});

test("a letter typed before stays where it is", () => {
  const once = typedNext(ORDER, 0, 2);
  expect(typedNext(once.order, once.typed, 2)).toEqual(once);
});
