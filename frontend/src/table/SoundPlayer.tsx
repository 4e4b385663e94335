import { Square, Volume2 } from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import { Button } from "../ui/Button";
import { playAlone, soundAt, useIsAwake } from "./hearing";
import { preferences } from "./preferences";
import { useSay, type Say } from "./translator";

type SoundPlayerProps = {
  /** Where it is found. */
  address: string;
  /** What is heard, for a screen reader. */
  name: string;
  /** Whether it sounds by itself once it is there, as far as the browser lets it. */
  isByItself?: boolean;
  /** Told once it sounds, or once it is known that it cannot. */
  onBegun?: (() => void) | undefined;
};

/** A sound to be heard, how far it is, and an end to it. */
export function SoundPlayer({ address, name, isByItself = false, onBegun }: SoundPlayerProps) {
  const say = useSay();
  const [sounding, setSounding] = useState<{ times: number; seconds: number }>();
  const [trouble, setTrouble] = useState<Parameters<Say>[0]>();
  const isAwake = useIsAwake();
  const stop = useRef<() => void>(() => undefined);
  const whenBegun = useRef(onBegun);
  useEffect(() => {
    whenBegun.current = onBegun;
  });
  const hear = useCallback(async () => {
    stop.current();
    if (preferences().isMuted) {
      setTrouble("sound is off");
      whenBegun.current?.();
      return;
    }
    const buffer = await soundAt(address);
    setTrouble(buffer ? undefined : "cannot hear");
    if (buffer) stop.current = playAlone(buffer, () => setSounding(undefined));
    whenBegun.current?.();
    if (!buffer) return;
    setSounding((was) => ({ times: (was?.times ?? 0) + 1, seconds: buffer.duration }));
  }, [address]);
  useEffect(() => {
    const timer = isByItself && isAwake ? window.setTimeout(() => void hear()) : undefined;
    return () => {
      window.clearTimeout(timer);
      stop.current();
    };
  }, [isByItself, isAwake, hear]);
  return (
    <div className="flex items-center gap-2">
      {sounding ? (
        <Button aria-label={`${say("stop it")}: ${name}`} onClick={() => stop.current()}>
          <Square aria-hidden /> {say("stop it")}
        </Button>
      ) : (
        <Button aria-label={`${say("hear it")}: ${name}`} onClick={() => void hear()}>
          <Volume2 aria-hidden /> {say("hear it")}
        </Button>
      )}
      <span aria-hidden className="h-2 min-w-16 flex-1 overflow-hidden rounded-full bg-line">
        {sounding && (
          <span
            key={sounding.times}
            className="block h-full origin-left rtl:origin-right rounded-full bg-accent"
            style={{ animation: `sound-runs ${sounding.seconds}s linear forwards` }}
          />
        )}
      </span>
      {trouble && <span role="status">{say(trouble)}</span>}
      {isByItself && !isAwake && <span className="text-sm text-soft">{say("sound with a press")}</span>}
    </div>
  );
}
