/** A match as it stands: the place of the choice given to each item, 0 for none yet, and which item is next. */
export type Matching = { partners: number[]; at: number };

/** The choice for the item that is next. Where a choice serves once only, it is taken from the item that had it. */
export function matchedNext({ partners, at }: Matching, place: number, repeats: boolean): Matching {
  return matchedAt(partners, at, place, repeats);
}

/** The same for any item; next comes the first one that has none, in turn. */
export function matchedAt(partners: number[], at: number, place: number, repeats: boolean): Matching {
  const given = partners.map((other, item) => (item === at ? place : other === place && !repeats ? 0 : other));
  const open = given.map((_, step) => (at + 1 + step) % given.length).find((item) => given[item] === 0);
  return { partners: given, at: open ?? (at + 1) % given.length };
}
