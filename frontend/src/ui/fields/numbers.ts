import { outOfBounds } from "./told";

const BIGGEST = 1_000_000_000;
const SECONDS = /^\d{1,5}([.,]\d{1,3})?$/;

/** Why a text is no number that can stand at a place; undefined if it is one. */
export function numberFault(text: string, empty?: string, boundsOf?: string): string | undefined {
  const trimmed = text.trim();
  if (!trimmed) return empty === undefined ? "Give a whole number; the last one still holds." : undefined;
  const number = /^[-+]?\d{1,12}$/.test(trimmed) ? Number(trimmed) : NaN;
  if (Number.isNaN(number)) return "This is not a whole number; the last one still holds.";
  if (Math.abs(number) > BIGGEST) return "Stay within a thousand million; the last one still holds.";
  return outOfBounds(boundsOf, number);
}

/** Seconds as they are typed, in milliseconds. */
export function inMs(text: string): number {
  return Math.round(Number(text.replace(",", ".")) * 1000);
}

/** Why a text is no seconds that can stand at a place; undefined if it is. */
export function secondsFault(text: string, where?: string): string | undefined {
  if (!SECONDS.test(text.trim())) return "Write seconds, such as 1.5; the last number still holds.";
  return outOfBounds(where, inMs(text), 1000);
}
