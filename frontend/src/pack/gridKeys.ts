/**
 * Where the keys of a grid lead, by the grid pattern of the ARIA Authoring Practices (from memory), for cells
 * that are fields to type into: keys that move within a text move on from its ends alone.
 */

export type Cell = { row: number; column: number };

export type GridSize = {
  rows: number;
  columns: number;
  /** So many rows are in sight. */
  page: number;
};

export type Pressed = {
  key: string;
  isCtrl: boolean;
  /** Whether the caret stands before everything in the field, and nothing is selected or all of it is. */
  isAtStart: boolean;
  /** Whether it stands behind everything, likewise. */
  isAtEnd: boolean;
};

/** The cell a key leads to from a cell; nothing where the key is the field's own or there is no such cell. */
export function cellAfter(from: Cell, { key, isCtrl, isAtStart, isAtEnd }: Pressed, size: GridSize): Cell | undefined {
  const { row, column } = from;
  const last = { row: size.rows - 1, column: size.columns - 1 };
  const to = (cell: Cell) => (cell.row < 0 || cell.column < 0 || cell.row > last.row || cell.column > last.column ? undefined : cell);
  switch (key) {
    case "ArrowUp":
      return to({ row: isCtrl ? 0 : row - 1, column });
    case "ArrowDown":
      return to({ row: isCtrl ? last.row : row + 1, column });
    case "ArrowLeft":
      return isCtrl || isAtStart ? to({ row, column: column - 1 }) : undefined;
    case "ArrowRight":
      return isCtrl || isAtEnd ? to({ row, column: column + 1 }) : undefined;
    case "Home":
      return isCtrl ? to({ row: 0, column: 0 }) : isAtStart ? to({ row, column: 0 }) : undefined;
    case "End":
      return isCtrl ? to(last) : isAtEnd ? to({ row, column: last.column }) : undefined;
    case "PageUp":
      return to({ row: Math.max(0, row - size.page), column });
    case "PageDown":
      return to({ row: Math.min(last.row, row + size.page), column });
    default:
      return undefined;
  }
}
