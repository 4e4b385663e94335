const KEPT = "dice trail player";

/** The secret by which this browser finds its own scores again. It is no name and tells nothing. */
export function playerKey(): string {
  const kept = localStorage.getItem(KEPT);
  if (kept) return kept;
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  const made = Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
  localStorage.setItem(KEPT, made);
  return made;
}
