import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { listRevisions, saveGame, showGame, showRevision } from "../api/games";
import type { GameView } from "../api/schema";
import { GameDraft } from "./gameDraft";
import { keys } from "../api/keys";

const PAUSE_MS = 250;

/** The drafts of this page, by their games. They stay while the page does, so that what was done can be undone
 * after a look at another view. */
const drafts = new Map<string, GameDraft>();

/** What is told from tab to tab of this browser: which game was saved, and as which revision. */
type Saved = { gameId: string; revision: number };

const tabs = "BroadcastChannel" in window ? new BroadcastChannel("games saved") : undefined;

tabs?.addEventListener("message", ({ data }: MessageEvent<Saved>) => {
  const draft = drafts.get(data.gameId);
  if (draft && draft.revision < data.revision) void draft.lookAgain();
});

window.addEventListener("beforeunload", (event) => {
  const due = [...drafts.values()].filter((draft) => draft.isDue);
  if (due.length === 0) return;
  event.preventDefault();
  for (const draft of due) void draft.flush();
});

// What was changed elsewhere while the page was not looked at is there when it is again.
document.addEventListener("visibilitychange", () => {
  for (const draft of drafts.values()) void (document.hidden ? draft.flush() : draft.lookAgain());
});

function draftOf(view: GameView, queries: QueryClient): GameDraft {
  const held = drafts.get(view.id);
  if (held) return held;
  const made = new GameDraft(view, {
    save: saveGame,
    show: showGame,
    revision: showRevision,
    changesAfter: async (gameId, number) => {
      const revisions = await listRevisions(gameId);
      return revisions.filter((revision) => revision.number > number).flatMap(({ changes }) => changes);
    },
    told: (newer, isOwn) => {
      queries.setQueryData(keys.games(newer.id), newer);
      void queries.invalidateQueries({ queryKey: keys.games(), exact: true });
      if (isOwn) tabs?.postMessage({ gameId: newer.id, revision: newer.revision } satisfies Saved);
    },
    pauseMs: PAUSE_MS,
  });
  drafts.set(view.id, made);
  return made;
}

/** The draft of a game that may not be open yet. */
export async function openDraft(gameId: string, queries: QueryClient): Promise<GameDraft> {
  return drafts.get(gameId) ?? draftOf(await showGame(gameId), queries);
}

/** The draft of a game, and how it stands. */
export function useGameDraft(game: GameView) {
  const draft = draftOf(game, useQueryClient());
  const shown = useSyncExternalStore(draft.listen, draft.shown);
  useEffect(() => draft.meet(game), [draft, game]);
  useEffect(() => () => void draft.flush(), [draft]);
  return { draft, ...shown };
}
