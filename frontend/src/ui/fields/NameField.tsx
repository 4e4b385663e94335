import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { Labelled } from "./Field";
import { TextField } from "./TextField";

const PAUSE_MS = 400;

type NameFieldProps = Labelled & { value: string; className?: string; onName: (name: string) => void };

/**
 * The name of something that others name. It is told once it is written, a moment after the last key or when
 * the field is left, so that those who name it follow from name to name and not from key to key.
 */
export function NameField({ value, onName, ...labelled }: NameFieldProps) {
  const [typed, setTyped] = useState<string>();
  const timer = useRef<number>(undefined);
  const tell = useEffectEvent(() => {
    window.clearTimeout(timer.current);
    if (typed !== undefined && typed !== value) onName(typed);
    setTyped(undefined);
  });
  useEffect(() => {
    if (typed === undefined) return;
    timer.current = window.setTimeout(() => tell(), PAUSE_MS);
    return () => window.clearTimeout(timer.current);
  }, [typed]);
  useEffect(() => () => tell(), []);
  return <TextField {...labelled} value={typed ?? value} onChange={setTyped} />;
}
