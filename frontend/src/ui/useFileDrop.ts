import { useEffect, useEffectEvent, useState } from "react";

/** Takes a file dropped anywhere on the page; tells whether one is being held over it. */
export function useFileDrop(onFile: (file: File) => void): boolean {
  const [isOver, setIsOver] = useState(false);
  const drop = useEffectEvent(onFile);
  useEffect(() => {
    const over = (event: DragEvent) => {
      if (!event.dataTransfer?.types.includes("Files")) return;
      event.preventDefault();
      setIsOver(true);
    };
    const leave = (event: DragEvent) => {
      if (event.relatedTarget === null) setIsOver(false);
    };
    const dropped = (event: DragEvent) => {
      event.preventDefault();
      setIsOver(false);
      const file = event.dataTransfer?.files[0];
      if (file) drop(file);
    };
    window.addEventListener("dragover", over);
    window.addEventListener("dragleave", leave);
    window.addEventListener("drop", dropped);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("dragleave", leave);
      window.removeEventListener("drop", dropped);
    };
  }, []);
  return isOver;
}
