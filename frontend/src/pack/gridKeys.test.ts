import fc from "fast-check";
import { expect, test } from "vitest";
import { cellAfter, type Cell, type Pressed } from "./gridKeys";

const SIZE = { rows: 40, columns: 5, page: 10 };
const at = (row: number, column: number): Cell => ({ row, column });
const press = (key: string, more: Partial<Pressed> = {}): Pressed => ({ key, isCtrl: false, isAtStart: true, isAtEnd: true, ...more });

// The keys of a data grid by the ARIA Authoring Practices, "Grid (Interactive Tabular Data and Layout Containers)",
// from memory; where a cell is a field, keys that move its caret go on from the ends of its text.
test.each<[string, Partial<Pressed>, Cell | undefined]>([
  ["ArrowRight", {}, at(20, 3)],
  ["ArrowLeft", {}, at(20, 1)],
  ["ArrowDown", {}, at(21, 2)],
  ["ArrowUp", {}, at(19, 2)],
  ["PageDown", {}, at(30, 2)],
  ["PageUp", {}, at(10, 2)],
  ["Home", {}, at(20, 0)],
  ["End", {}, at(20, 4)],
  ["Home", { isCtrl: true }, at(0, 0)],
  ["End", { isCtrl: true }, at(39, 4)],
  ["ArrowRight", { isAtEnd: false }, undefined],
  ["ArrowLeft", { isAtStart: false }, undefined],
  ["Home", { isAtStart: false }, undefined],
  ["End", { isAtEnd: false }, undefined],
  ["ArrowRight", { isAtEnd: false, isCtrl: true }, at(20, 3)],
  ["a", {}, undefined],
  ["Tab", {}, undefined],
])("%s with %o", (key, more, cell) => {
  expect(cellAfter(at(20, 2), press(key, more), SIZE)).toEqual(cell);
});

test("no key leads out of the grid, and opposite arrows lead back", () => {
  const keys = ["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight", "Home", "End", "PageUp", "PageDown"];
  const back: Record<string, string> = { ArrowUp: "ArrowDown", ArrowDown: "ArrowUp", ArrowLeft: "ArrowRight", ArrowRight: "ArrowLeft" };
  const sizes = fc.record({ rows: fc.integer({ min: 1, max: 60 }), columns: fc.integer({ min: 1, max: 9 }), page: fc.integer({ min: 1, max: 20 }) });
  fc.assert(
    fc.property(sizes, fc.nat(), fc.nat(), fc.constantFrom(...keys), fc.boolean(), (size, row, column, key, isCtrl) => {
      const from = at(row % size.rows, column % size.columns);
      const to = cellAfter(from, press(key, { isCtrl }), size);
      if (!to) return;
      expect(to.row >= 0 && to.row < size.rows && to.column >= 0 && to.column < size.columns).toBe(true);
      const opposite = back[key];
      if (opposite && !isCtrl) expect(cellAfter(to, press(opposite), size)).toEqual(from);
    }),
  );
});
