import { TriangleAlert } from "lucide-react";

/** What of a game or pack cannot be read from the store, and what to do; nothing where all can. */
export function Trouble({ words }: { words: string | undefined }) {
  if (!words) return null;
  return (
    <p className="flex gap-2 font-semibold text-clay-dark">
      <TriangleAlert aria-hidden className="mt-0.5 size-5 shrink-0" />
      {words}
    </p>
  );
}
