import { useEffect } from "react";
import type { Dress } from "../api/schema";

/** Gives the whole page the language and the direction of its game, until another page is shown. */
export function usePageLanguage(dress: Dress | undefined) {
  const language = dress?.language;
  const direction = dress?.is_from_right ? "rtl" : "ltr";
  useEffect(() => {
    if (!language) return;
    const root = document.documentElement;
    const { lang, dir } = root;
    root.lang = language;
    root.dir = direction;
    return () => {
      root.lang = lang;
      root.dir = dir;
    };
  }, [language, direction]);
}
