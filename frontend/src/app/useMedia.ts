import { useSyncExternalStore } from "react";

/** Whether a media query holds now. */
export function useMedia(query: string): boolean {
  const listen = (tell: () => void) => {
    const media = window.matchMedia(query);
    media.addEventListener("change", tell);
    return () => media.removeEventListener("change", tell);
  };
  return useSyncExternalStore(listen, () => window.matchMedia(query).matches);
}
