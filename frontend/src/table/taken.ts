import { Check, Diff, X } from "lucide-react";
import type { Feedback } from "../api/schema";

/** How an answer was taken, for its mark and its colour. */
export type Taken = "good" | "partly" | "bad";

export function takenAs(feedback: Feedback | null): Taken {
  if (feedback?.result === "partly") return "partly";
  return feedback?.is_good ? "good" : "bad";
}

/** The mark, the frame and the ink of what was given. A part of a partly right answer may itself be right or wrong. */
export const LOOKS = {
  good: { icon: Check, frame: "border-good bg-good-pale", ink: "text-good" },
  partly: { icon: Diff, frame: "border-sky bg-card", ink: "text-sky" },
  bad: { icon: X, frame: "border-bad bg-bad-pale", ink: "text-bad" },
} as const;
