import { createContext, useContext } from "react";
import { IN_ENGLISH } from "../api/parts";
import type { Dress, Language, Phrase } from "../api/schema";

/** What is said to players: a phrase of the game, its places filled; numbers as its language writes them. */
export type Say = (phrase: Phrase, values?: Record<string, string | number>) => string;

type Words = Pick<Dress, "language" | "phrases" | "letters" | "is_from_right">;

/** What is filled in keeps its own direction (Unicode Standard Annex 9, first strong isolate). */
const ISOLATED = "\u2068";
const ENDED = "\u2069";

/** So many decimals are written at most. */
const DECIMALS = 4;

const PLACE = /\{(\w+)\}/g;

/** The words of a game, its numbers, and the letters of its language in rows. */
export type Wording = { say: Say; number: (value: number) => string; letters: string[]; language: Language };

/** How a game speaks to its players. */
export function wordingOf({ language, phrases, letters, is_from_right }: Words): Wording {
  // To as many decimals as numbers are written with, for the form goes with what is read.
  const plurals = new Intl.PluralRules(language, { maximumFractionDigits: DECIMALS });
  const numbers = new Intl.NumberFormat(language, { useGrouping: false, maximumFractionDigits: DECIMALS, numberingSystem: "latn" });
  const say: Say = (phrase, values = {}) => {
    const forms = phrases[phrase] ?? {};
    const count = values.count;
    const text = (typeof count === "number" ? forms[plurals.select(count)] : undefined) ?? forms.other ?? Object.values(forms).at(-1) ?? "";
    return text.replace(PLACE, (place, name: string) => {
      const value = values[name];
      if (value === undefined) return place;
      const filling = typeof value === "number" ? numbers.format(value) : value;
      return is_from_right ? `${ISOLATED}${filling}${ENDED}` : filling;
    });
  };
  return { say, number: (value) => numbers.format(value), letters, language };
}

const Words = createContext(wordingOf({ language: "en", letters: [], is_from_right: false, phrases: IN_ENGLISH }));
export const WordingProvider = Words.Provider;

/** How the game on the table speaks. */
export function useWording(): Wording {
  return useContext(Words);
}

/** What the game on the table says. */
export function useSay(): Say {
  return useWording().say;
}
