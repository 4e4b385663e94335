import { useState } from "react";

/** Whether something of the page is open, remembered on this device. */
export function useRemembered(name: string, otherwise: boolean): [boolean, (next: boolean) => void] {
  const [is, setIs] = useState(() => (localStorage.getItem(name) ?? String(otherwise)) === "true");
  const set = (next: boolean) => {
    localStorage.setItem(name, String(next));
    setIs(next);
  };
  return [is, set];
}
