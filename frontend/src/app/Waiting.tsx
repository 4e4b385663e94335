import { useIsWaiting } from "../api/waiting";

/** A mark along the top of the page while the server is taking its time. */
export function Waiting() {
  const isWaiting = useIsWaiting();
  return (
    <div role="progressbar" aria-label="Waiting for the server" hidden={!isWaiting} className="fixed inset-x-0 top-0 z-50 h-1 overflow-hidden bg-sun-pale">
      <div className="h-full w-1/3 animate-stride bg-clay motion-reduce:w-full" />
    </div>
  );
}
