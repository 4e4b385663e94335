import { useMutation } from "@tanstack/react-query";
import { Check, Pencil, Trash2, X } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { acceptKept, changeKept, letGo } from "../../api/kept";
import type { GameView, HeldCard, KeptCard } from "../../api/schema";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/fields";
import { ErrorNotice } from "../../ui/Notice";
import { stopName, stopPath } from "../../app/stops";
import { useOpened } from "../useOpened";
import { Minds } from "../../app/Minds";

type KeptRowProps = {
  game: GameView;
  run: KeptCard;
  held: HeldCard | undefined;
  onCompare: () => void;
  onChanged: () => Promise<unknown>;
};

/** A kept run: whether it holds, what differs first if not, and what can be done with it. */
export function KeptRow({ game, run, held, onCompare, onChanged }: KeptRowProps) {
  const open = useOpened(game);
  const [isNaming, setIsNaming] = useState(false);
  const accept = useMutation({ mutationFn: () => acceptKept(game.id, run.id), onSuccess: onChanged });
  const remove = useMutation({ mutationFn: () => letGo(game.id, run.id), onSuccess: onChanged });
  const failure = accept.error ?? remove.error;
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <p className="min-w-0 flex-1 break-words">
          <b>{run.name}</b> {run.why && <span className="text-soft">{run.why}</span>}{" "}
          <span className="text-sm text-soft">version {run.revision}</span>
        </p>
        {held && (
          <span className={`inline-flex items-center gap-1 ${held.holds ? "text-moss" : "font-semibold text-clay-dark"}`}>
            {held.holds ? <Check aria-hidden className="size-4" /> : <X aria-hidden className="size-4" />}
            {held.holds ? "holds" : "changed"}
          </span>
        )}
        <Button onClick={() => open(run)}>Play it at the table</Button>
        <Button look="quiet" className="px-2" aria-label={`Change ${run.name}`} title="Name, why it is kept, and what it holds" onClick={() => setIsNaming(!isNaming)}>
          <Pencil aria-hidden />
        </Button>
        <Button look="quiet" className="px-2" aria-label={`Let go of ${run.name}`} disabled={remove.isPending} onClick={() => remove.mutate()}>
          <Trash2 aria-hidden />
        </Button>
      </div>
      {held && !held.holds && (
        <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-clay pl-3">
          <p className="min-w-0 flex-1 break-words">
            Step {(held.step ?? 0) + 1}, {held.stop && stopName(held.stop)}: {held.what}.
          </p>
          <Button onClick={onCompare}>Compare</Button>
          <Button disabled={accept.isPending} onClick={() => accept.mutate()}>
            It is right so
          </Button>
          {held.stop && (
            <Link to={`/game/${game.id}/${stopPath(held.stop)}`} className="text-sky underline">
              To the bench {stopName(held.stop)}
            </Link>
          )}
        </div>
      )}
      {held && held.said.some(({ words }) => words !== held.what) && <Said said={held.said} />}
      {isNaming && <Naming game={game} run={run} onDone={() => void onChanged().then(() => setIsNaming(false))} />}
      {failure && <ErrorNotice error={failure} />}
    </li>
  );
}

/** Everything that pages say otherwise, each with both texts. */
function Said({ said }: { said: HeldCard["said"] }) {
  return (
    <details className="mt-1 pl-4">
      <summary className="cursor-pointer text-sky underline">What pages say otherwise ({said.length})</summary>
      <ul className="max-h-60 list-disc overflow-auto pl-6">
        {said.map(({ step, words }, at) => (
          // Differences have no identity but their place.
          <li key={at} className="break-words">
            Step {step + 1}: {words}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Naming({ game, run, onDone }: { game: GameView; run: KeptCard; onDone: () => void }) {
  const [name, setName] = useState(run.name);
  const [why, setWhy] = useState(run.why);
  const [minds, setMinds] = useState(run.minds);
  const change = useMutation({
    mutationFn: () => changeKept(game.id, run.id, { name: name.trim(), why: why.trim(), minds }),
    onSuccess: onDone,
  });
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) change.mutate();
      }}
    >
      <TextField label="Name" value={name} maxLength={80} onChange={setName} />
      <TextField label="Why it is kept" value={why} className="min-w-64 flex-1" onChange={setWhy} />
      <Minds minds={minds} onChange={setMinds} />
      {!run.has_pages && <p className="w-full text-sm text-soft">It was kept without the words of its pages. If it holds, saving keeps the present words.</p>}
      <Button type="submit" disabled={!name.trim() || change.isPending}>
        Save
      </Button>
      {change.error && <ErrorNotice error={change.error} />}
    </form>
  );
}
