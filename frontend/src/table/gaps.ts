import type { Feedback, GapsShown } from "../api/schema";

/** What fills the gaps to begin with: what was given at the last try, or nothing yet. */
export function filledFrom({ words }: GapsShown, feedback: Feedback | null): string[] {
  return words.map((_, at) => feedback?.gaps[at]?.given ?? "");
}

/** The next empty gap after one, from 0, and those before it last; undefined if none is empty. */
export function nextEmpty(filled: string[], at: number): number | undefined {
  const places = [...filled.keys()];
  return [...places.slice(at + 1), ...places.slice(0, at + 1)].find((place) => filled[place]?.trim() === "");
}
