/** How an answer is taken. */
export type Mood = "glad" | "unsure" | "sad" | "startled";

const MOUTHS: Record<Mood, string> = {
  glad: "M34 62c8 12 24 12 32 0",
  unsure: "M34 66c10 3 20-3 32-1",
  sad: "M34 70c8-10 24-10 32 0",
  startled: "M50 60c7 0 7 14 0 14s-7-14 0-14z",
};

const BROWS: Record<Mood, string> = {
  glad: "M32 40c4-4 8-4 12 0M56 40c4-4 8-4 12 0",
  unsure: "M32 40c4-4 8-4 12 0M56 36l12 1",
  sad: "M32 36l12 5M68 36l-12 5",
  startled: "M32 33c4-3 8-3 12 0M56 33c4-3 8-3 12 0",
};

/** A turnip that takes an answer well or badly. */
export function Face({ mood, className }: { mood: Mood; className: string }) {
  return (
    <svg viewBox="0 0 100 100" className={`stroke-ink [stroke-linecap:round] [stroke-linejoin:round] [stroke-width:3] ${className}`}>
      <path d="M50 22C44 8 30 6 26 10c2 8 12 14 24 12zM50 22c2-14 16-18 24-12-2 8-12 14-24 12z" className="fill-moss" />
      <path d="M50 22c24-4 38 12 36 32-2 22-24 30-36 42-12-12-34-20-36-42-2-20 12-36 36-32z" className="fill-clay-pale" />
      <path d={BROWS[mood]} className="fill-none" />
      <circle cx="38" cy="48" r="3.5" className="fill-ink" />
      <circle cx="62" cy="48" r="3.5" className="fill-ink" />
      <path d={MOUTHS[mood]} className={mood === "startled" ? "fill-ink" : "fill-none"} />
    </svg>
  );
}
