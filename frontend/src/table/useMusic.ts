import { useEffect } from "react";
import type { Look, Phase } from "../api/schema";
import { playOver, soundAt, useIsAwake } from "./hearing";
import { usePreferences } from "./preferences";
import { addressOf } from "./useCues";

/** The name of the sound that goes on and on in a phase of a game; empty for none. */
export function musicOf({ music }: Look, phase: Phase): string {
  return { opening: music.opening, asking: music.playing, holding: music.playing, ended: music.ending }[phase];
}

/** Whether a game has music at all. */
export function hasMusic({ music }: Look): boolean {
  return Boolean(music.opening || music.playing || music.ending);
}

/** Plays the music of a phase for as long as it lasts; tells which is to be heard, if any. */
export function useMusic(look: Look, phase: Phase, soundsAt: string, isWanted: boolean): string {
  const { isMuted, isMusicOff } = usePreferences();
  const isAwake = useIsAwake();
  const wanted = isWanted && !isMuted && !isMusicOff ? musicOf(look, phase) : "";
  const address = wanted && isAwake ? addressOf(soundsAt, wanted) : "";
  const { loudness } = look.music;
  useEffect(() => {
    if (!address) return;
    let stop: (() => void) | undefined;
    let isOver = false;
    void soundAt(address).then((buffer) => {
      if (buffer && !isOver) stop = playOver(buffer, loudness);
    });
    return () => {
      isOver = true;
      stop?.();
    };
  }, [address, loudness]);
  return wanted;
}
