import { Pencil, Plus, Trash2 } from "lucide-react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useBring } from "../../../api/loads";
import { firstPattern, newPack, usePacks } from "../../../api/packs";
import { NEW_LISTS, NEW_SUMS } from "../../../api/parts";
import type { PackCard } from "../../../api/schema";
import { counted } from "../../../app/format";
import { PackReport } from "../../../pack/PackReport";
import { Button } from "../../../ui/Button";
import { FilePick } from "../../../ui/FilePick";
import { ErrorNotice } from "../../../ui/Notice";
import { useFileDrop } from "../../../ui/useFileDrop";
import { Trouble } from "../../../ui/Trouble";
import type { BenchProps } from "../../state/props";
import { useWriteQuestions } from "../../state/useWriteQuestions";
import { PatternEditor } from "./PatternEditor";
import { ListsEditor } from "./ListsEditor";
import { SumsEditor } from "./SumsEditor";
import { keys } from "../../../api/keys";

/** The packs a game draws from, and what it makes of facts; a file becomes either by loading it. */
export function LoadBench({ game, document, round, number, at, edit, editRound, table }: BenchProps) {
  const [looksAt, setLooksAt] = useState<string>();
  const bring = useBring();
  const navigate = useNavigate();
  const shelf = usePacks();
  const queries = useQueryClient();
  /** Where what is loaded goes. */
  const into = `game=${game.id}&round=${number + 1}`;
  const take = (file: File) =>
    bring.mutate(file, { onSuccess: ({ id }) => void navigate(`/load/${id}?${into}`) });
  const isOver = useFileDrop(take);
  const known = new Map([...(shelf.data ?? []), ...game.packs].map((pack) => [pack.id, pack]));
  const others = (shelf.data ?? []).filter((pack) => !round.packs.includes(pack.id));
  const shown = looksAt ?? round.packs[0];
  const addPattern = useMutation({
    mutationFn: firstPattern,
    onSuccess: (pattern) => editRound({ patterns: [...round.patterns, pattern] }),
  });
  const writeFacts = useMutation({
    mutationFn: () => newPack(`Facts for ${game.document.title || "a game"}`, ["thing", "answer"]),
    onSuccess: async (pack) => {
      await queries.invalidateQueries({ queryKey: keys.packs() });
      addPattern.mutate(pack.id);
    },
  });
  const write = useWriteQuestions(game.id, document, number, edit);
  const use = (pack: PackCard) =>
    pack.columns.length > 0 ? addPattern.mutate(pack.id) : editRound({ packs: [...round.packs, pack.id] });
  return (
    <div className="space-y-5">
      <div className={`rounded-lg border-2 border-dashed px-4 py-2.5 ${isOver ? "border-clay bg-sun-pale" : "border-line"}`}>
        <div className="flex flex-wrap items-center gap-3">
          <Button look={round.packs.length ? "plain" : "main"} disabled={write.isPending} onClick={() => write.mutate()}>
            <Pencil aria-hidden /> Write questions
          </Button>
          <FilePick label="Load a file" busy={bring.isPending} onFile={take} />
          <p className="min-w-0 flex-1 text-soft">
            or drop one anywhere, or{" "}
            <Link to={`/load/new?${into}`} className="text-sky underline">
              paste questions
            </Link>
            . Tables, workbooks, documents and JSON are read, as questions or as facts to make questions of; you see what comes of it first.
          </p>
        </div>
      </div>
      {bring.error && <ErrorNotice error={bring.error} />}
      {addPattern.error && <ErrorNotice error={addPattern.error} />}
      {write.error && <ErrorNotice error={write.error} />}
      {writeFacts.error && <ErrorNotice error={writeFacts.error} />}
      {round.packs.length > 0 && (
        <ul className="space-y-1.5">
          {round.packs.map((packId) => (
            <PackLine
              key={packId}
              packId={packId}
              pack={known.get(packId)}
              isShown={packId === shown}
              onShow={() => setLooksAt(packId)}
              onRemove={() => {
                setLooksAt(undefined);
                editRound({ packs: round.packs.filter((other) => other !== packId) });
              }}
            />
          ))}
        </ul>
      )}
      {shown && <PackReport packId={shown} />}
      {round.patterns.map((pattern, index) => (
        <PatternEditor
          // Sources have no identity but their place.
          key={index}
          pattern={pattern}
          facts={known.get(pattern.facts)}
          at={`${at}.patterns[${index}]`}
          dice={table.dice}
          onChange={(next) => editRound({ patterns: round.patterns.with(index, next) })}
          onRemove={() => editRound({ patterns: round.patterns.toSpliced(index, 1) })}
          onAdd={(next) => editRound({ patterns: round.patterns.toSpliced(index + 1, 0, next) })}
        />
      ))}
      {round.lists.map((lists, index) => (
        <ListsEditor
          key={index}
          lists={lists}
          at={`${at}.lists[${index}]`}
          onChange={(next) => editRound({ lists: round.lists.with(index, next) })}
          onRemove={() => editRound({ lists: round.lists.toSpliced(index, 1) })}
        />
      ))}
      {round.sums.map((sums, index) => (
        <SumsEditor
          key={index}
          sums={sums}
          at={`${at}.sums[${index}]`}
          onChange={(next) => editRound({ sums: round.sums.with(index, next) })}
          onRemove={() => editRound({ sums: round.sums.toSpliced(index, 1) })}
        />
      ))}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => editRound({ lists: [...round.lists, NEW_LISTS] })}>
          <Plus aria-hidden /> Add lists to sort
        </Button>
        <Button onClick={() => editRound({ sums: [...round.sums, NEW_SUMS] })}>
          <Plus aria-hidden /> Add sums
        </Button>
        <Button disabled={writeFacts.isPending} onClick={() => writeFacts.mutate()}>
          <Plus aria-hidden /> Write facts
        </Button>
      </div>
      <p>
        This round can draw from <b>{counted(game.pools[number] ?? 0, "question")}</b>.
      </p>
      {others.length > 0 && (
        <div>
          <h3 className="text-lg">Other packs on the shelf</h3>
          <ul className="mt-1 flex flex-wrap gap-2">
            {others.map((pack) => (
              <li key={pack.id}>
                <Button onClick={() => use(pack)}>
                  Use <bdi>{pack.title}</bdi> ({pack.columns.length > 0 ? counted(pack.question_count, "row") + " of facts" : pack.question_count})
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

type PackLineProps = {
  packId: string;
  pack: PackCard | undefined;
  isShown: boolean;
  onShow: () => void;
  onRemove: () => void;
};

function PackLine({ packId, pack, isShown, onShow, onRemove }: PackLineProps) {
  const title = pack?.title || packId;
  return (
    <li className={`flex items-center gap-2 rounded-lg border px-2 ${isShown ? "border-ink" : "border-line"}`}>
      <button type="button" aria-pressed={isShown} onClick={onShow} className="min-h-9 min-w-0 flex-1 text-left">
        <b><bdi>{title}</bdi></b>{" "}
        <span className="text-soft">
          {pack && counted(pack.question_count, "question")}
          {pack && pack.source.refused.length > 0 && `, ${counted(pack.source.refused.length, "row")} refused`}
        </span>
        <Trouble words={pack?.trouble} />
      </button>
      <Button look="quiet" aria-label={`Take out ${title}`} onClick={onRemove}>
        <Trash2 aria-hidden />
      </Button>
    </li>
  );
}
