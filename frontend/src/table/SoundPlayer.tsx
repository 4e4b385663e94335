import { Square, Volume2 } from "lucide-react";
import { useCallback, useEffect, useRef, useState } from "react";
import { Button } from "../ui/Button";
import { playAlone, soundAt, useIsAwake } from "./hearing";
import { preferences } from "./preferences";

type SoundPlayerProps = {
  /** Where it is found. */
  address: string;
  /** What is heard, for a screen reader. */
  name: string;
  /** Whether it sounds by itself once it is there, as far as the browser lets it. */
  isByItself?: boolean;
};

/** A sound to be heard, how far it is, and an end to it. */
export function SoundPlayer({ address, name, isByItself = false }: SoundPlayerProps) {
  const [sounding, setSounding] = useState<{ times: number; seconds: number }>();
  const [trouble, setTrouble] = useState("");
  const isAwake = useIsAwake();
  const stop = useRef<() => void>(() => undefined);
  const hear = useCallback(async () => {
    stop.current();
    if (preferences().isMuted) {
      setTrouble("Sound is off.");
      return;
    }
    const buffer = await soundAt(address);
    setTrouble(buffer ? "" : "This sound cannot be played here.");
    if (!buffer) return;
    stop.current = playAlone(buffer, () => setSounding(undefined));
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
        <Button aria-label={`Stop: ${name}`} onClick={() => stop.current()}>
          <Square aria-hidden /> Stop
        </Button>
      ) : (
        <Button aria-label={`Hear it: ${name}`} onClick={() => void hear()}>
          <Volume2 aria-hidden /> Hear it
        </Button>
      )}
      <span aria-hidden className="h-2 min-w-16 flex-1 overflow-hidden rounded-full bg-line">
        {sounding && (
          <span
            key={sounding.times}
            className="block h-full origin-left rounded-full bg-accent"
            style={{ animation: `sound-runs ${sounding.seconds}s linear forwards` }}
          />
        )}
      </span>
      {trouble && <span role="status">{trouble}</span>}
      {isByItself && !isAwake && <span className="text-sm text-soft">Sound begins with your first press.</span>}
    </div>
  );
}
