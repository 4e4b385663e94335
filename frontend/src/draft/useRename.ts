import { renamePart } from "../api/games";
import type { Game, Named } from "../api/schema";
import type { GameDraft } from "./gameDraft";
import { merge } from "./merge";

/** Gives a part of a game another name, and all that names it along with it. */
export type Rename = (kind: Named, number: number, name: string) => void;

const ROWS = { round: "rounds", ending: "endings", cue: "cues", sound: "sounds" } as const;

/** Renames parts of a draft: at once on screen, and what names them as soon as the server tells how. */
export function renaming(draft: GameDraft): Rename {
  return (kind, number, name) => {
    const before = draft.document;
    draft.endStep();
    draft.edit((document) => named(document, kind, number, name));
    const alone = draft.document;
    void renamePart(before, kind, number, name).then(
      (whole) => {
        draft.follow((now) => merge(alone, now, whole).document);
        draft.endStep();
      },
      () => undefined,
    );
  };
}

function named(document: Game, kind: Named, number: number, name: string): Game {
  const row = ROWS[kind];
  const field = kind === "round" || kind === "ending" ? "title" : "name";
  return { ...document, [row]: document[row].map((part, place) => (place === number ? { ...part, [field]: name } : part)) };
}
