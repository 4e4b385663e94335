import { Button } from "../ui/Button";
import { Notice } from "../ui/Notice";
import type { Elsewhere, GameDraft } from "./gameDraft";
import { pathInWords, type Clash } from "./merge";

const MAX_TOLD = 6;
const MAX_SHOWN = 300;

type ChangedElsewhereProps = { draft: GameDraft; elsewhere: Elsewhere };

/** What was taken in from elsewhere, and both texts where both changed one field. */
export function ChangedElsewhere({ draft, elsewhere }: ChangedElsewhereProps) {
  const { changes, clashes } = elsewhere;
  return (
    <div className="max-h-60 shrink-0 overflow-auto px-4 pt-2">
      <Notice>
        <div className="flex flex-wrap items-start justify-between gap-2">
          <p>
            <b>This game was changed elsewhere</b>, and that is taken in beside your edits.{" "}
            {changes.length > 0 && `Changed there: ${changes.slice(0, MAX_TOLD).join("; ")}${changes.length > MAX_TOLD ? "; and more" : ""}.`}
          </p>
          {clashes.length === 0 && <Button onClick={draft.readElsewhere}>All right</Button>}
        </div>
        {clashes.length > 0 && (
          <ul aria-label="Changed here and elsewhere" className="mt-2 space-y-2">
            {clashes.map((clash) => (
              <Chosen key={pathInWords(clash.path)} draft={draft} clash={clash} />
            ))}
          </ul>
        )}
      </Notice>
    </div>
  );
}

/** One field that was changed here and elsewhere: the edit made here stands until the other is taken. */
function Chosen({ draft, clash }: { draft: GameDraft; clash: Clash }) {
  const name = pathInWords(clash.path) || "the game";
  return (
    <li className="border-l-4 border-sun pl-3">
      <p>
        <b>{name}</b>: you wrote “{inWords(draft.mineAt(clash))}”; elsewhere it became “{inWords(clash.theirs)}”.
      </p>
      <p className="mt-1 flex flex-wrap gap-2">
        <Button onClick={() => draft.keepMine(clash)}>Keep mine</Button>
        <Button onClick={() => draft.takeTheirs(clash)}>Take the other</Button>
      </p>
    </li>
  );
}

/** A value as it can be read beside another. */
function inWords(value: unknown): string {
  const words = typeof value === "string" ? value : value === null || value === undefined ? "none" : JSON.stringify(value);
  return words.length > MAX_SHOWN ? `${words.slice(0, MAX_SHOWN)}…` : words || "nothing";
}
