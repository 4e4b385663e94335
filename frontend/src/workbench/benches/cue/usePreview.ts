import { useState } from "react";
import type { Cue, Occasion } from "../../../api/schema";
import { hear } from "../../../table/hearing";
import type { Mood } from "../../../table/effects/Face";
import { addressOf, useSeen, type Played } from "../../../table/useCues";

/** What makes the drawn face and the mark take it badly. */
const BAD: Occasion[] = ["wrong", "late", "life lost", "letter miss"];

/** Hears and shows a cue as it would be played, there where it is programmed. */
export function usePreview(cue: Cue, soundsAt: string) {
  const [played, setPlayed] = useState<Played>({ stamp: 0, cues: [], scoreBefore: 12 });
  const seen = useSeen(played);
  const preview = () => {
    if (cue.sound) hear(addressOf(soundsAt, cue.sound));
    const cues = [{ name: cue.name, at: 0, sound: cue.sound, effect: cue.effect }];
    setPlayed((old) => ({ ...old, stamp: old.stamp + 1, cues }));
  };
  const isBad = cue.on.some((occasion) => BAD.includes(occasion));
  const isPartly = cue.on.includes("partly right");
  const mood: Mood = isBad ? "sad" : isPartly ? "unsure" : "glad";
  return { preview, seen, mood };
}
