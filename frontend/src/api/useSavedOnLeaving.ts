import { useEffect } from "react";
import type { Saves } from "./saves";

/** Saves at once what is due when its page is left, and asks before the browser goes without. */
export function useSavedOnLeaving<Due>(saves: Saves<Due>): void {
  useEffect(() => {
    const leaving = (event: BeforeUnloadEvent) => {
      if (!saves.isDue) return;
      event.preventDefault();
      void saves.flush();
    };
    window.addEventListener("beforeunload", leaving);
    return () => {
      window.removeEventListener("beforeunload", leaving);
      void saves.flush();
    };
  }, [saves]);
}
