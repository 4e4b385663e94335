/**
 * Where the page lives: at our server, or in a folder that has left it with an engine of its own.
 */
import { useSyncExternalStore } from "react";
import { listeners } from "./listeners";

/** What is told of a game to whoever shows it: a page around it, a course; see docs/taking-away.md. */
export type Told =
  | { from: "dice trail"; what: "size"; height: number }
  | { from: "dice trail"; what: "begun"; players: string[] }
  | { from: "dice trail"; what: "answered"; question: number; result: string; score: number }
  | { from: "dice trail"; what: "ended"; ending: string; score: number; percent: number; seconds: number };

export type Home = {
  /** Asks what the interface answers. */
  reach: (request: Request) => Promise<Response>;
  /** Where a picture or a sound is found, by its digest. */
  mediaAt: (digest: string) => string;
  /** Gives away the answers that were given here, as a file; nothing where they are at the server. */
  saveAnswers?: () => Promise<void>;
  /** Hears what is told of the game. */
  hear?: (told: Told) => void;
};

let home: Home = { reach: (request) => fetch(request), mediaAt: (digest) => `/api/media/${digest}` };

/** Says where the page lives; at the server, unless this is called before anything is shown. */
export function liveAt(other: Home) {
  home = other;
}

/** Asks what the interface answers, wherever that is. */
export function reach(request: Request): Promise<Response> {
  return home.reach(request);
}

export function mediaAt(digest: string): string {
  return home.mediaAt(digest);
}

export function answersSaver(): Home["saveAnswers"] {
  return home.saveAnswers;
}

export function tellHome(told: Told) {
  home.hear?.(told);
}

const coming = listeners();
let share: number | undefined;

/** Says how much of the engine has come, from 0 to 1; nothing more once it is there. */
export function tellComing(next: number | undefined) {
  share = next;
  coming.tell();
}

/** How much of the engine has come; nothing where there is none to come. */
export function useComing(): number | undefined {
  return useSyncExternalStore(coming.listen, () => share);
}
