import {
  Bell,
  Calculator,
  DoorOpen,
  Flag,
  MessageCircleQuestion,
  Scale,
  Shuffle,
  ShoppingBasket,
  Signpost,
  type LucideIcon,
} from "lucide-react";
import type { Stop } from "../api/schema";

type StopFace = { name: string; icon: LucideIcon; question: string };

/** How the stops look and what each is for. */
export const STOP_FACES: Record<Stop, StopFace> = {
  load: { name: "Load", icon: ShoppingBasket, question: "Which questions can come?" },
  open: { name: "Open", icon: DoorOpen, question: "How does a run begin?" },
  draw: { name: "Draw", icon: Shuffle, question: "Which of them are asked, and in what order?" },
  ask: { name: "Ask", icon: MessageCircleQuestion, question: "How is a question put to the player?" },
  check: { name: "Check", icon: Scale, question: "What counts as an answer?" },
  score: { name: "Score", icon: Calculator, question: "What does each outcome do?" },
  cue: { name: "Cue", icon: Bell, question: "What is told, and how long does it hold?" },
  "move on": { name: "Move on", icon: Signpost, question: "Where does the run go then?" },
  end: { name: "End", icon: Flag, question: "What is said at the end?" },
};

/** The name of a stop. */
export function stopName(stop: Stop): string {
  return STOP_FACES[stop].name;
}

/** A stop as it stands in an address. */
export function stopPath(stop: Stop): string {
  return stop.replace(" ", "-");
}
