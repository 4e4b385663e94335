import { useEffect } from "react";
import { usePreferences } from "../table/preferences";

/** Gives the page the size of text its player likes, until another page is shown. */
export function useTextSize() {
  const { isLarge } = usePreferences();
  useEffect(() => {
    const root = document.documentElement;
    root.dataset.text = isLarge ? "large" : "usual";
    return () => {
      delete root.dataset.text;
    };
  }, [isLarge]);
}
