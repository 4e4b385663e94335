import { History as HistoryIcon } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { showRevision, useRevisions } from "../api/games";
import type { GameView } from "../api/schema";
import { ago } from "../app/format";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";
import type { Edit } from "../draft/gameDraft";

type HistoryProps = { game: GameView; edit: Edit };

/** Every save of the game, what it changed in words, and the way back to it. */
export function History({ game, edit }: HistoryProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>
        <Button look="quiet" className="px-2" aria-label="Earlier versions">
          <HistoryIcon aria-hidden />
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-10 max-h-[70vh] w-112 max-w-[90vw] overflow-auto rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <h2 className="text-xl">Earlier versions</h2>
          <Revisions game={game} edit={edit} onDone={() => setIsOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Revisions({ game, edit, onDone }: HistoryProps & { onDone: () => void }) {
  const revisions = useRevisions(game.id, game.revision);
  const bringBack = (number: number) =>
    void showRevision(game.id, number).then((document) => {
      edit(() => document);
      onDone();
    });
  if (revisions.error) return <ErrorNotice error={revisions.error} />;
  return (
    <ol className="mt-2 space-y-3">
      {revisions.data?.map((revision) => (
        <li key={revision.number} className="border-l-4 border-line pl-3">
          <div className="flex items-center justify-between gap-3">
            <p>
              <b>Version {revision.number}</b> <span className="text-soft">saved {ago(revision.saved_at)}</span>
            </p>
            {revision.number !== game.revision && (
              <Button onClick={() => bringBack(revision.number)} aria-label={`Bring back version ${revision.number}`}>
                Bring back
              </Button>
            )}
          </div>
          <ul>
            {revision.changes.map((change) => (
              <li key={change} className="break-words">
                {change}
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}
