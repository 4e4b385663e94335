import isSame from "fast-deep-equal";
import { diff3Merge } from "node-diff3";

/** Where something stands in a document: names of fields, and places in lists from 0. */
export type Path = readonly (string | number)[];

/** One place that two people changed, each to something else. */
export type Clash = { path: Path; mine: unknown; theirs: unknown };

export type Merged<T> = { document: T; clashes: Clash[] };

type Fields = Record<string, unknown>;

/**
 * Two documents made of one, as one: what only one of them changed is as that one has it. Where
 * both changed the same field it is as `mine` has it, and the clash is told.
 */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: Clash[] = [];
  const document = merged(base, mine, theirs, [], clashes) as T;
  return { document, clashes };
}

function merged(base: unknown, mine: unknown, theirs: unknown, path: Path, clashes: Clash[]): unknown {
  if (isSame(theirs, base) || isSame(mine, theirs)) return mine;
  if (isSame(mine, base)) return theirs;
  if (isFields(base) && isFields(mine) && isFields(theirs) && haveSameNames(base, mine, theirs)) {
    return Object.fromEntries(
      Object.keys(mine).map((name) => [name, merged(base[name], mine[name], theirs[name], [...path, name], clashes)]),
    );
  }
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(theirs)) return mergedLists(base, mine, theirs, path, clashes);
  clashes.push({ path, mine, theirs });
  return mine;
}

function mergedLists(base: unknown[], mine: unknown[], theirs: unknown[], path: Path, clashes: Clash[]): unknown[] {
  // Of lists that are as long as before, and whose parts stand where they stood, each part is merged.
  if (mine.length === base.length && theirs.length === base.length && !isMoved(base, mine) && !isMoved(base, theirs)) {
    return base.map((part, place) => merged(part, mine[place], theirs[place], [...path, place], clashes));
  }
  const told = (list: unknown[]) => list.map((part) => JSON.stringify(part));
  const blocks = diff3Merge(told(mine), told(base), told(theirs), { excludeFalseConflicts: true });
  if (blocks.some((block) => block.conflict)) {
    clashes.push({ path, mine, theirs });
    return mine;
  }
  return blocks.flatMap((block) => block.ok ?? []).map((part) => JSON.parse(part) as unknown);
}

/** Whether a part stands elsewhere than it stood. */
function isMoved(before: unknown[], after: unknown[]): boolean {
  return after.some((part, place) => !isSame(part, before[place]) && before.some((old) => isSame(old, part)));
}

function isFields(value: unknown): value is Fields {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function haveSameNames(...all: Fields[]): boolean {
  const [first = "", ...others] = all.map((fields) => Object.keys(fields).sort().join(" "));
  return others.every((names) => names === first);
}

/** What stands at a path of a document. */
export function at(document: unknown, path: Path): unknown {
  return path.reduce<unknown>((part, step) => {
    if (Array.isArray(part)) return part[step as number] as unknown;
    return isFields(part) ? part[step] : undefined;
  }, document);
}

/** A document with something else at a path that is there. */
export function withAt<T>(document: T, path: Path, value: unknown): T {
  const [step, ...rest] = path;
  if (step === undefined) return value as T;
  if (Array.isArray(document)) {
    if (document[step as number] === undefined) return document;
    return document.with(step as number, withAt(document[step as number] as unknown, rest, value)) as T;
  }
  if (!isFields(document) || !(step in document)) return document;
  return { ...document, [step]: withAt(document[step], rest, value) };
}

/** A path in words: "round 1, tries". */
export function pathInWords(path: Path): string {
  const words: string[] = [];
  for (const step of path) {
    if (typeof step === "string") words.push(step.replaceAll("_", " "));
    else words.push(`${(words.pop() ?? "").replace(/s$/, "")} ${step + 1}`);
  }
  return words.join(", ");
}
