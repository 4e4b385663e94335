/** The places of some choices with one of them moved to where another stands. */
export function movedTo(order: number[], place: number, to: number): number[] {
  const others = order.filter((other) => other !== place);
  return others.toSpliced(Math.max(0, Math.min(to, others.length)), 0, place);
}

/** An order being typed by letters: the next letter comes after those typed so far; one typed before stays. */
export function typedNext(order: number[], typed: number, place: number): { order: number[]; typed: number } {
  const isRound = typed >= order.length;
  const so = isRound ? 0 : typed;
  if (order.indexOf(place) < so) return { order, typed: so };
  return { order: movedTo(order, place, so), typed: so + 1 };
}
