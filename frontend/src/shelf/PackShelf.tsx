import { useMutation } from "@tanstack/react-query";
import { Copy, Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { newPack, usePackMoves } from "../api/packs";
import type { PackCard } from "../api/schema";
import { ago, counted } from "../app/format";
import { Button, buttonLook } from "../ui/Button";
import { TextField } from "../ui/fields";
import { ErrorNotice, Notice } from "../ui/Notice";
import { Trouble } from "../ui/Trouble";

type PackShelfProps = { packs: PackCard[]; onMake: (title: string, packIds: string[]) => void };

/** The packs of questions and of facts: found by name or tag, made a game of, copied, joined. */
export function PackShelf({ packs, onMake }: PackShelfProps) {
  const [find, setFind] = useState("");
  const [chosen, setChosen] = useState<string[]>([]);
  const [gone, setGone] = useState<PackCard>();
  const moves = usePackMoves();
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => newPack("New facts", ["thing", "answer"]),
    onSuccess: ({ id }) => void navigate(`/pack/${id}`),
  });
  const wanted = find.trim().toLocaleLowerCase();
  const shown = packs.filter((pack) => [pack.title, pack.words, ...pack.tags].some((text) => text.toLocaleLowerCase().includes(wanted)));
  const failure = begin.error ?? moves.copy.error ?? moves.join.error ?? moves.remove.error ?? moves.putBack.error;
  return (
    <section aria-labelledby="packs" className="mt-8 space-y-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="packs" className="text-2xl">
          Packs
        </h2>
        <div className="flex items-end gap-3">
          <TextField label="Find by name or tag" hideLabel={packs.length < 2} className="w-56" value={find} onChange={setFind} />
          <Button disabled={begin.isPending} onClick={() => begin.mutate()}>
            <Plus aria-hidden /> New facts
          </Button>
        </div>
      </div>
      {failure && <ErrorNotice error={failure} />}
      {gone && (
        <Notice>
          <bdi>{gone.title}</bdi> is off the shelf; games that use it go on using it.
          <Button className="ml-2" onClick={() => moves.putBack.mutate(gone.id, { onSuccess: () => setGone(undefined) })}>
            Put it back
          </Button>
        </Notice>
      )}
      {chosen.length > 1 && (
        <JoinBar
          count={chosen.length}
          onJoin={(title) => moves.join.mutate({ title, packs: chosen }, { onSuccess: () => setChosen([]) })}
          onClear={() => setChosen([])}
        />
      )}
      <ul className="divide-y divide-line rounded-xl border border-line bg-card">
        {shown.map((pack) => (
          <PackLine
            key={pack.id}
            pack={pack}
            isChosen={chosen.includes(pack.id)}
            onChoose={(isChosen) => setChosen(isChosen ? [...chosen, pack.id] : chosen.filter((id) => id !== pack.id))}
            onMake={() => onMake(pack.title, [pack.id])}
            onCopy={() => moves.copy.mutate(pack.id)}
            onRemove={() => moves.remove.mutate(pack.id, { onSuccess: () => setGone(pack) })}
          />
        ))}
        {shown.length === 0 && <li className="px-4 py-2 text-soft">No pack has this name or tag.</li>}
      </ul>
    </section>
  );
}

type PackLineProps = {
  pack: PackCard;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
  onMake: () => void;
  onCopy: () => void;
  onRemove: () => void;
};

function PackLine({ pack, isChosen, onChoose, onMake, onCopy, onRemove }: PackLineProps) {
  const title = pack.title || "A pack without a title";
  const holds = pack.columns.length > 0 ? `${counted(pack.question_count, "row")} of facts` : counted(pack.question_count, "question");
  const refused = pack.source.refused.length > 0 ? `, ${counted(pack.source.refused.length, "row")} refused` : "";
  const from = pack.source.file_name ? `from ${pack.source.file_name}` : pack.source.read_as;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-2">
      <input
        type="checkbox"
        aria-label={`Choose ${title}`}
        className="size-6 accent-moss"
        checked={isChosen}
        onChange={(event) => onChoose(event.target.checked)}
      />
      <div className="min-w-0 flex-1">
        <b><bdi>{title}</bdi></b>{" "}
        <span className="text-soft">
          {holds}
          {refused}, {from}, {ago(pack.saved_at)}
        </span>
        {pack.tags.map((tag) => (
          <span key={tag} className="ml-2 rounded border border-line px-1.5 text-sm">
            {tag}
          </span>
        ))}
        {pack.words && <p className="truncate text-soft">{pack.words}</p>}
        <Trouble words={pack.trouble} />
      </div>
      <Link to={`/pack/${pack.id}`} aria-label={`Edit ${title}`} className={buttonLook()}>
        Edit
      </Link>
      <Button onClick={onMake}>Make a game of it</Button>
      <span className="flex">
        <Button look="quiet" className="px-2" aria-label={`Copy ${title}`} onClick={onCopy}>
          <Copy aria-hidden />
        </Button>
        <Button look="quiet" className="px-2" aria-label={`Delete ${title}`} onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </span>
    </li>
  );
}

type JoinBarProps = { count: number; onJoin: (title: string) => void; onClear: () => void };

function JoinBar({ count, onJoin, onClear }: JoinBarProps) {
  const [title, setTitle] = useState("");
  return (
    <form
      aria-label="Chosen packs"
      className="flex flex-wrap items-end gap-3 rounded-lg border border-moss bg-moss-pale px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        onJoin(title.trim() || "Joined packs");
      }}
    >
      <TextField label="Title of the joined pack" className="w-64" value={title} onChange={setTitle} />
      <Button type="submit">Join {counted(count, "pack")}</Button>
      <Button look="quiet" onClick={onClear}>
        Choose none
      </Button>
    </form>
  );
}
