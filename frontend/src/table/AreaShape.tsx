type AreaShapeProps = { outline: "rectangle" | "ellipse" | "polygon"; numbers: number[]; isRight: boolean };

/** The outline of an area of a picture, a thousand wide and high. A wrong one has a broken line. */
export function AreaShape({ outline, numbers, isRight }: AreaShapeProps) {
  const look = {
    className: isRight ? "fill-good/25 stroke-good" : "fill-bad/20 stroke-bad",
    vectorEffect: "non-scaling-stroke" as const,
    strokeWidth: 2.5,
    strokeDasharray: isRight ? undefined : "7 5",
  };
  const [left = 0, top = 0, right = 0, bottom = 0] = numbers;
  if (outline === "polygon") return <polygon points={numbers.join(" ")} {...look} />;
  if (outline === "rectangle") return <rect x={left} y={top} width={right - left} height={bottom - top} {...look} />;
  return <ellipse cx={(left + right) / 2} cy={(top + bottom) / 2} rx={(right - left) / 2} ry={(bottom - top) / 2} {...look} />;
}
