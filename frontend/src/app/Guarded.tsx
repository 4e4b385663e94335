import { RotateCcw } from "lucide-react";
import type { ReactNode } from "react";
import { ErrorBoundary, type FallbackProps } from "react-error-boundary";
import { Button } from "../ui/Button";
import { Notice } from "../ui/Notice";
import { WayBack } from "./WayBack";

type GuardedProps = {
  /** What it is called in words: “this bench”. */
  name: string;
  /** The part is tried again when one of these changes. */
  resetKeys?: unknown[];
  /** Whether the part is a whole page, which has a way back of its own to offer. */
  isPage?: boolean;
  children: ReactNode;
};

/** A part that, if it breaks, says so and leaves the rest of the page working. */
export function Guarded({ name, resetKeys = [], isPage = false, children }: GuardedProps) {
  const Broken = ({ error, resetErrorBoundary }: FallbackProps) => (
    <div className={isPage ? "mx-auto max-w-xl space-y-4 p-8" : "m-3"}>
      {isPage && <h1 className="text-3xl">The path is blocked</h1>}
      <Notice tone="wrong">
        <p className="font-semibold">Something broke while {name} was drawn. What you saved is safe.</p>
        <p className="break-words">{error instanceof Error ? error.message : String(error)}</p>
        <Button className="mt-2" onClick={resetErrorBoundary}>
          <RotateCcw aria-hidden /> Try again
        </Button>
      </Notice>
      {isPage && <WayBack />}
    </div>
  );
  return (
    <ErrorBoundary resetKeys={resetKeys} fallbackRender={Broken}>
      {children}
    </ErrorBoundary>
  );
}
