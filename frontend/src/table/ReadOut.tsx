import { Volume2 } from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import { mediaAt } from "../api/home";
import type { Language, Narration } from "../api/schema";
import { Button } from "../ui/Button";
import { decode, play, useIsAwake } from "./hearing";
import { preferences } from "./preferences";
import { addressOf } from "./useCues";
import { useWording } from "./translator";

type ReadOutProps = {
  narration: Narration;
  soundsAt: string;
  /** Has the server read it; nothing if it has no voice. */
  voice: (text: string, language: Language) => Promise<ArrayBuffer | undefined>;
};

/** Reads out what is on the table: from a recorded file, by the server's voice, or by the browser's. */
export function ReadOut({ narration, soundsAt, voice }: ReadOutProps) {
  const { say, language } = useWording();
  const [isSilent, setIsSilent] = useState(false);
  const isAwake = useIsAwake();
  const stop = useRef<() => void>(() => undefined);
  /** Counts what was begun: a reading that comes when another was begun, or none is wanted, is dropped. */
  const turn = useRef(0);
  const { recorded, sound, text } = narration;
  const read = useCallback(async () => {
    const mine = ++turn.current;
    stop.current();
    if (preferences().isMuted) return;
    const address = recorded ? mediaAt(recorded) : sound ? addressOf(soundsAt, sound) : undefined;
    const content = address ? await fetched(address) : await voice(text, language);
    const sounding = content && (await decode(content));
    if (mine !== turn.current) return;
    if (sounding) stop.current = play(sounding);
    else if (text && window.speechSynthesis.getVoices().length) {
      window.speechSynthesis.speak(Object.assign(new SpeechSynthesisUtterance(text), { lang: language }));
      stop.current = () => window.speechSynthesis.cancel();
    } else setIsSilent(true);
  }, [recorded, sound, text, language, soundsAt, voice]);
  useEffect(() => {
    if (!isAwake) return;
    const timer = window.setTimeout(() => void read());
    return () => {
      window.clearTimeout(timer);
      turn.current += 1;
      stop.current();
    };
  }, [isAwake, read]);
  return (
    <p className="mb-2 flex items-center gap-2 text-sm text-soft">
      <Button className="min-h-8 px-2 text-sm" onClick={() => void read()}>
        <Volume2 aria-hidden /> {say("read out")}
      </Button>
      <span role="status">{isSilent && say("no voice")}</span>
    </p>
  );
}

async function fetched(address: string): Promise<ArrayBuffer | undefined> {
  const answer = await fetch(address).catch(() => undefined);
  return answer?.ok ? answer.arrayBuffer() : undefined;
}
