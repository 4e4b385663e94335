import type { Feedback } from "../api/schema";

/** How an answer was taken, for its mark and its colour. */
export type Taken = "good" | "partly" | "bad";

export function takenAs(feedback: Feedback | null): Taken {
  if (feedback?.result === "partly") return "partly";
  return feedback?.is_good ? "good" : "bad";
}
