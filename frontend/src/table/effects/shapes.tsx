import type { Taken } from "../taken";
import type { CSSProperties } from "react";

type ShapeProps = { className: string; style?: CSSProperties };

const LINES = "stroke-ink [stroke-linecap:round] [stroke-linejoin:round] [stroke-width:2.5]";

export function Leaf({ className, style }: ShapeProps) {
  return (
    <svg viewBox="0 0 32 32" className={`${LINES} ${className}`} style={style}>
      <path d="M5 27C4 12 14 4 28 4c0 14-8 23-23 23z" className="fill-moss" />
      <path d="M5 27L20 12" className="fill-none" />
    </svg>
  );
}

export function Heart({ className }: ShapeProps) {
  return (
    <svg viewBox="0 0 32 32" className={`${LINES} ${className}`}>
      <path d="M16 27C6 20 3 15 4 10c2-6 10-6 12 0 2-6 10-6 12 0 1 5-2 10-12 17z" className="fill-clay" />
    </svg>
  );
}

export function Seed({ className }: ShapeProps) {
  return (
    <svg viewBox="0 0 32 32" className={`${LINES} ${className}`}>
      <path d="M16 29c-8 0-10-8-7-14 2-5 5-9 7-12 2 3 5 7 7 12 3 6 1 14-7 14z" className="fill-sun" />
      <path d="M16 10v12" className="fill-none" />
    </svg>
  );
}

const MARKS: Record<Taken, { stroke: string; path: string }> = {
  good: { stroke: "stroke-good", path: "M14 56l24 26 48-62" },
  partly: { stroke: "stroke-sky", path: "M50 14v44M28 36h44M28 82h44" },
  bad: { stroke: "stroke-bad", path: "M20 20l60 60M80 20L20 80" },
};

/** A tick or a cross, as if pressed on with a stamp. */
export function Mark({ taken, className }: ShapeProps & { taken: Taken }) {
  const { stroke, path } = MARKS[taken];
  return (
    <svg viewBox="0 0 100 100" className={`fill-none [stroke-linecap:round] [stroke-linejoin:round] [stroke-width:11] ${stroke} ${className}`}>
      <path d={path} />
    </svg>
  );
}
