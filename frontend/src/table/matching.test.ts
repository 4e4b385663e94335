import { expect, test } from "vitest";
import { matchedAt, matchedNext, type Matching } from "./matching";

const NONE: Matching = { partners: [0, 0, 0, 0], at: 0 };

test("letters typed in turn give each item its own, and typing again begins anew", () => {
  for (const wanted of [[3, 1, 4, 2], [1, 2, 3, 4], [4, 3, 2, 1]]) {
    let now = NONE;
    for (const place of [...wanted, ...wanted]) now = matchedNext(now, place, false);
    expect(now).toEqual({ partners: wanted, at: 0 });
  }
});

test("a choice that serves once is taken from the item that had it, and that item is next", () => {
  const now = matchedAt([2, 1, 0, 0], 3, 2, false);
  expect(now).toEqual({ partners: [0, 1, 0, 2], at: 0 });
});

test("a choice that serves several stays with each", () => {
  let now = NONE;
  for (const place of [2, 2, 1, 2]) now = matchedNext(now, place, true);
  expect(now.partners).toEqual([2, 2, 1, 2]);
});
