import { describe, expect, it } from "vitest";
import type { Feedback } from "../api/schema";
import { filledFrom, nextEmpty } from "./gaps";

describe("gaps", () => {
  it("begin with what was given at the last try", () => {
    const gaps = { around: ["A ", " gives ", "."], words: [[], ["honey", "milk"]] };
    const feedback = { gaps: [{ given: "bee", right: "", is_right: null }, { given: "", right: "", is_right: null }] };
    expect(filledFrom(gaps, null)).toEqual(["", ""]);
    expect(filledFrom(gaps, feedback as unknown as Feedback)).toEqual(["bee", ""]);
  });

  it("are gone through one after the other, those before last", () => {
    const all = [0, 1, 2, 3];
    for (let at = -1; at < 4; at += 1) {
      for (let full = 0; full < 16; full += 1) {
        const filled = all.map((place) => ((full >> place) & 1 ? "word" : " "));
        const turn = all.map((by) => (at + 1 + by) % 4);
        expect(nextEmpty(filled, at)).toBe(turn.find((place) => filled[place] === " "));
      }
    }
  });
});
