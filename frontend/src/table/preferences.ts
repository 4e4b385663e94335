import { useSyncExternalStore } from "react";
import { listeners } from "../api/listeners";

const LOOKS = ["device", "light", "dark"] as const;
export type Look = (typeof LOOKS)[number];

/** What a player likes, kept in this browser for every game. */
export type Preferences = { isMuted: boolean; isMusicOff: boolean; look: Look; isLarge: boolean };

const KEPT = "dice trail preferences";
const { listen, tell } = listeners();
let current = read();

function read(): Preferences {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? "{}") as Partial<Preferences>;
    return {
      isMuted: kept.isMuted === true,
      isMusicOff: kept.isMusicOff === true,
      look: LOOKS.find((look) => look === kept.look) ?? "device",
      isLarge: kept.isLarge === true,
    };
  } catch {
    return { isMuted: false, isMusicOff: false, look: "device", isLarge: false };
  }
}

/** What the player likes now. */
export function preferences(): Preferences {
  return current;
}

/** Changes some of what the player likes. */
export function prefer(change: Partial<Preferences>) {
  current = { ...current, ...change };
  localStorage.setItem(KEPT, JSON.stringify(current));
  tell();
}

/** What the player likes, followed as it changes. */
export function usePreferences(): Preferences {
  return useSyncExternalStore(listen, preferences);
}
