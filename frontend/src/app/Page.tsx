import type { ReactNode } from "react";

/** A page with its name in the browser's tab. */
export function Page({ title, children }: { title: string; children: ReactNode }) {
  return (
    <>
      <title>{`${title} · Dice Trail`}</title>
      {children}
    </>
  );
}
