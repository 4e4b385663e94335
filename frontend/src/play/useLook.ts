import { useEffect } from "react";
import { usePreferences } from "../table/preferences";

const DARK = "(prefers-color-scheme: dark)";

/** Gives the page the look and the size of text its player likes, until another page is shown. */
export function useLook() {
  const { look, isLarge } = usePreferences();
  useEffect(() => {
    const root = document.documentElement;
    const device = window.matchMedia(DARK);
    const dress = () => {
      root.dataset.look = look === "device" ? (device.matches ? "dark" : "light") : look;
      root.dataset.text = isLarge ? "large" : "usual";
    };
    dress();
    device.addEventListener("change", dress);
    return () => {
      device.removeEventListener("change", dress);
      delete root.dataset.look;
      delete root.dataset.text;
    };
  }, [look, isLarge]);
}
