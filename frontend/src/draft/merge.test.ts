import fc from "fast-check";
import isSame from "fast-deep-equal";
import { expect, test } from "vitest";
import { at, merge, pathInWords, withAt } from "./merge";

const text = fc.constantFrom("oak", "ash", "elm", "yew");
const plain = { noNullPrototype: true };
const round = fc.record({ title: text, tries: fc.nat(3), packs: fc.array(text, { maxLength: 3 }) }, plain);
const document = fc.record({ title: text, rounds: fc.array(round, { maxLength: 3 }), script: text }, plain);

test("what only one side changed is as that side has it, whichever side it is", () => {
  fc.assert(
    fc.property(document, document, (base, other) => {
      expect(merge(base, other, base)).toEqual({ document: other, clashes: [] });
      expect(merge(base, base, other)).toEqual({ document: other, clashes: [] });
      expect(merge(base, other, other)).toEqual({ document: other, clashes: [] });
    }),
    { numRuns: 300, seed: 30 },
  );
});

test("edits of two different fields are both there, and neither clashes", () => {
  const base = { title: "A", rounds: [{ title: "r", tries: 1 }], endings: [{ title: "e", from: 1 }], script: "s" };
  const changes: [string, (string | number)[], unknown][] = [
    ["title", ["title"], "B"],
    ["a round's tries", ["rounds", 0, "tries"], 3],
    ["a round's title", ["rounds", 0, "title"], "q"],
    ["an ending's bound", ["endings", 0, "from"], 7],
    ["the script", ["script"], "t"],
  ];
  for (const [name, path, value] of changes) {
    for (const [other, otherPath, otherValue] of changes) {
      if (name === other) continue;
      const { document, clashes } = merge(base, withAt(base, path, value), withAt(base, otherPath, otherValue));
      expect(clashes, `${name} and ${other}`).toEqual([]);
      expect([at(document, path), at(document, otherPath)]).toEqual([value, otherValue]);
    }
  }
});

test("where both changed one place, mine stands and both are told; nothing else is lost", () => {
  fc.assert(
    fc.property(document, document, document, (base, mine, theirs) => {
      const { document: both, clashes } = merge(base, mine, theirs);
      for (const { path, mine: kept, theirs: other } of clashes) {
        expect(isSame(at(both, path), kept)).toBe(true);
        expect(isSame(at(theirs, path), other) || path.length > 1).toBe(true);
        expect(isSame(kept, other)).toBe(false);
      }
      for (const name of ["title", "script"] as const) {
        const isMine = mine[name] !== base[name];
        expect(both[name]).toBe(isMine ? mine[name] : theirs[name]);
      }
    }),
    { numRuns: 500, seed: 31 },
  );
});

test("a part added on one side is kept beside an edit of another part", () => {
  const base = ["ash", "elm"];
  expect(merge(base, ["ash", "elm", "oak"], ["yew", "elm"])).toEqual({ document: ["yew", "elm", "oak"], clashes: [] });
  expect(merge(base, ["elm", "ash"], ["ash", "yew"]).clashes).toHaveLength(1);
});

test("a path is told in words", () => {
  expect(pathInWords(["rounds", 0, "cues", "right"])).toBe("round 1, cues, right");
  expect(pathInWords(["endings", 2, "verdict_text"])).toBe("ending 3, verdict text");
});
