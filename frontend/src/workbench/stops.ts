import { Calculator, Flag, MessageCircleQuestion, Scale, Shuffle, ShoppingBasket, type LucideIcon } from "lucide-react";
import type { Stop } from "../api/schema";

type StopFace = { name: string; icon: LucideIcon; question: string };

/** How the programmable stops look and what each is for. */
export const STOP_FACES: Partial<Record<Stop, StopFace>> = {
  load: { name: "Load", icon: ShoppingBasket, question: "Which questions can come?" },
  draw: { name: "Draw", icon: Shuffle, question: "Which of them are asked, and in what order?" },
  ask: { name: "Ask", icon: MessageCircleQuestion, question: "How is a question put to the player?" },
  check: { name: "Check", icon: Scale, question: "What counts as an answer?" },
  score: { name: "Score", icon: Calculator, question: "What is an answer worth?" },
  end: { name: "End", icon: Flag, question: "What is said at the end?" },
};

const PLACES: [RegExp, Stop][] = [
  [/\.packs|^packs/, "load"],
  [/\.draw/, "draw"],
  [/\.ask/, "ask"],
  [/\.check/, "check"],
  [/\.score/, "score"],
  [/^endings/, "end"],
];

/** The stop at whose bench a place in the document is programmed. */
export function stopOf(where: string): Stop {
  return PLACES.find(([place]) => place.test(where))?.[1] ?? "load";
}

/** The name of any stop, for the footprints. */
export function stopName(stop: Stop): string {
  return STOP_FACES[stop]?.name ?? stop.charAt(0).toUpperCase() + stop.slice(1);
}
