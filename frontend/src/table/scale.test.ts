import { expect, test } from "vitest";
import { numberAt } from "./scale";

test("the numbers of a scale are those that its step leads to, without a trace of rounding", () => {
  const scale = { first: -3, step: 1, points: 14, decimals: 1, unit: "", least: "-0.3", most: "1" };
  const told = Array.from({ length: scale.points }, (_, point) => String(numberAt(scale, point)));
  expect(told).toEqual(["-0.3", "-0.2", "-0.1", "0", "0.1", "0.2", "0.3", "0.4", "0.5", "0.6", "0.7", "0.8", "0.9", "1"]);
});
