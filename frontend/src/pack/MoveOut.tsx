import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { splitPack } from "../api/packs";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";
import { keys } from "../api/keys";

type MoveOutProps = {
  packId: string;
  rows: number[];
  /** The newest revision, once all is saved; undefined while something is not. */
  revision: number | undefined;
  onMoved: () => void;
};

/** Moves the chosen rows out of a pack into a new one. */
export function MoveOut({ packId, rows, revision, onMoved }: MoveOutProps) {
  const [title, setTitle] = useState("");
  const queries = useQueryClient();
  const move = useMutation({
    mutationFn: (known: number) => splitPack(packId, { revision: known, title: title.trim(), rows }),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: keys.packs() });
      await queries.invalidateQueries({ queryKey: keys.games() });
      onMoved();
    },
  });
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TextField label="Title of the new pack" className="w-52" maxLength={200} value={title} onChange={setTitle} />
      <Button
        disabled={revision === undefined || !title.trim() || rows.length === 0 || move.isPending}
        onClick={() => revision !== undefined && move.mutate(revision)}
      >
        Move them there
      </Button>
      {move.error && <ErrorNotice error={move.error} />}
    </div>
  );
}
