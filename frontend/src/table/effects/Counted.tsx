import { useEffect, useState } from "react";
import { useWording } from "../translator";

const COUNTS_MS = 800;

/** A score that counts up, or down, to where it stands; at once where motion is reduced. */
export function Counted({ from, to }: { from: number; to: number }) {
  const { number } = useWording();
  const [shown, setShown] = useState(from);
  useEffect(() => {
    const isStill = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const began = performance.now();
    let frame = requestAnimationFrame(function count(now) {
      const part = isStill ? 1 : Math.min(1, (now - began) / COUNTS_MS);
      setShown(from + (to - from) * part);
      if (part < 1) frame = requestAnimationFrame(count);
    });
    return () => cancelAnimationFrame(frame);
  }, [from, to]);
  return (
    <b className="effect-stamp absolute top-1/3 right-8 rounded-xl border border-edge bg-card px-4 font-serif text-5xl tabular-nums">
      {number(Number.isInteger(to) && Number.isInteger(from) ? Math.round(shown) : Number(shown.toFixed(1)))}
    </b>
  );
}
