/** Dice as they are told: a number that can be typed, or the name of those of a player's run. */
export type Dice = number | string;

/** The dice a text names; undefined if it names none. */
export function diceIn(text: string | null): Dice | undefined {
  if (text === null) return undefined;
  if (/^\d{1,9}$/.test(text)) return Number(text);
  return /^[a-z2-7]{26}$/.test(text) ? text : undefined;
}

/** Dice as they are shown: of a long name its first letters tell enough. */
export function shortly(dice: Dice): string {
  return typeof dice === "number" ? String(dice) : `${dice.slice(0, 6)}…`;
}
