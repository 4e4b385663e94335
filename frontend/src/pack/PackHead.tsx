import { useState, type ReactNode } from "react";
import { Link } from "react-router";
import { SAVED_WORDS } from "../api/saving";
import type { PackView } from "../api/schema";
import { Button } from "../ui/Button";
import { Die } from "../ui/Die";
import { SaveFailure } from "../ui/SaveFailure";
import { AboutPack } from "./AboutPack";
import type { PackDraft } from "./usePackDraft";

type PackHeadProps = {
  pack: PackView;
  draft: PackDraft;
  /** What is in it, in words. */
  holds: string;
  /** The button that adds to it. */
  children: ReactNode;
};

/** What stands above a pack that is edited: its title, whether it is saved, the way back in it. */
export function PackHead({ pack, draft, holds, children }: PackHeadProps) {
  const [title, setTitle] = useState(pack.title);
  const { saving } = draft;
  return (
    <>
      <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-card px-4 py-1.5">
        <Link to="/" aria-label="Back to the shelf" className="rounded-md">
          <Die className="size-8" />
        </Link>
        <h1 className="text-2xl"><bdi>{title}</bdi></h1>
        <p className="text-soft">{holds}</p>
        <p role="status" className="ml-auto">
          {SAVED_WORDS[saving.is]}
        </p>
        <Button disabled={!draft.undo} onClick={draft.undo}>
          Undo
        </Button>
        <Button disabled={!draft.redo} onClick={draft.redo}>
          Redo
        </Button>
        {children}
      </header>
      {draft.hasMet && (
        <p role="status" className="border-b border-line bg-sun-pale px-4 py-1">
          This pack was changed elsewhere too. What was changed there is in here now, beside your edits.
        </p>
      )}
      {saving.is === "failed" && (
        <SaveFailure error={saving.error} onRetry={() => void draft.retry()} onDiscard={() => window.location.reload()} />
      )}
      <AboutPack
        pack={pack}
        revision={draft.saved}
        onSaved={(named) => {
          void draft.lookAgain();
          setTitle(named);
        }}
      />
    </>
  );
}
