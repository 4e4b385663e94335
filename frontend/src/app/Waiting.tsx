import { useLocation } from "react-router";
import { useIsQueued, useIsWaiting } from "../api/waiting";
import { Notice } from "../ui/Notice";

/** A mark along the top of the page while the server is taking its time, and why if it has very many to answer. */
export function Waiting() {
  const isWaiting = useIsWaiting();
  const isQueued = useIsQueued();
  const isPlayed = useLocation().pathname.startsWith("/play/"); // which says it in the game's language
  return (
    <>
      <div role="progressbar" aria-label="Waiting for the server" hidden={!isWaiting} className="fixed inset-x-0 top-0 z-50 h-1 overflow-hidden bg-sun-pale">
        <div className="h-full w-1/3 animate-stride bg-clay motion-reduce:w-full" />
      </div>
      {isQueued && !isPlayed && <Notice>Very many people are using this server. Your turn comes by itself; nothing is lost.</Notice>}
    </>
  );
}
