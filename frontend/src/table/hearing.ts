/**
 * Sounds, ready before they are wanted. Browsers let a page be heard only once its reader
 * has pressed something; until then nothing sounds, and nothing waits for it.
 */
import { useSyncExternalStore } from "react";
import { reach } from "../api/home";
import { listeners } from "../api/listeners";
import { preferences } from "./preferences";

const LATE_MS = 400;

let context: AudioContext | undefined;
const ready = new Map<string, AudioBuffer>();
const coming = new Map<string, Promise<void>>();
const woken = listeners();

function wake() {
  context ??= new AudioContext();
  if (context.state === "running") {
    tell();
    return;
  }
  void context.resume().then(tell);
}

function tell() {
  if (context?.state !== "running") return;
  for (const gesture of ["pointerdown", "keydown"]) window.removeEventListener(gesture, wake, true);
  woken.tell();
}

for (const gesture of ["pointerdown", "keydown"]) window.addEventListener(gesture, wake, true);

/** Whether sounds can be heard yet. */
export function useIsAwake(): boolean {
  return useSyncExternalStore(woken.listen, () => context?.state === "running");
}

/** Fetches a sound, so that it starts at once when it is wanted. */
export function prepare(address: string): Promise<void> {
  const known = coming.get(address);
  if (known) return known;
  const made = reach(new Request(address))
    .then(async (answer) => {
      if (answer.ok) ready.set(address, await decode(await answer.arrayBuffer()));
    })
    .catch(() => undefined);
  coming.set(address, made);
  return made;
}

/** A sound file as the browser plays it. */
export function decode(content: ArrayBuffer): Promise<AudioBuffer> {
  return new OfflineAudioContext(1, 1, 44_100).decodeAudioData(content);
}

/** Plays a sound that was fetched. One that comes too late is left out: nothing waits for it. */
export function hear(address: string) {
  const buffer = ready.get(address);
  if (buffer) {
    play(buffer);
    return;
  }
  const wantedAt = performance.now();
  void prepare(address).then(() => {
    const made = ready.get(address);
    if (made && performance.now() - wantedAt < LATE_MS) play(made);
  });
}

/** A sound, fetched if need be; nothing if it cannot be played. */
export async function soundAt(address: string): Promise<AudioBuffer | undefined> {
  await prepare(address);
  return ready.get(address);
}

let endOther: () => void = () => undefined;

/** Plays a sound in place of the one that was played so before; gives what ends it. */
export function playAlone(buffer: AudioBuffer, onEnded: () => void): () => void {
  endOther();
  const stop = play(buffer);
  const timer = window.setTimeout(onEnded, 1000 * buffer.duration);
  let isOver = false;
  const end = () => {
    if (isOver) return;
    isOver = true;
    window.clearTimeout(timer);
    stop();
    onEnded();
  };
  endOther = end;
  return end;
}

/** Plays a sound, unless the page is muted; gives what ends it. */
export function play(buffer: AudioBuffer): () => void {
  if (preferences().isMuted || context?.state !== "running") return () => undefined;
  const source = context.createBufferSource();
  source.buffer = buffer;
  source.connect(context.destination);
  source.start();
  duck(context, buffer.duration);
  return () => source.stop();
}

/** All music goes through here, so that it can be made quieter while something else is heard. */
let music: GainNode | undefined;
const QUIETER = 0.25;
const FADES_S = 0.08;

function duck({ currentTime }: AudioContext, seconds: number) {
  music?.gain.cancelScheduledValues(currentTime);
  music?.gain.setTargetAtTime(QUIETER, currentTime, FADES_S);
  music?.gain.setTargetAtTime(1, currentTime + seconds, 4 * FADES_S);
}

/** Plays a sound over and over, so loud in percent; gives what ends it. */
export function playOver(buffer: AudioBuffer, loudness: number): () => void {
  if (context?.state !== "running") return () => undefined;
  if (!music) {
    music = context.createGain();
    music.connect(context.destination);
  }
  const source = context.createBufferSource();
  const gain = context.createGain();
  gain.gain.value = loudness / 100;
  source.buffer = buffer;
  source.loop = true;
  source.connect(gain).connect(music);
  source.start();
  return () => source.stop();
}
