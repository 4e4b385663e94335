import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { describePack } from "../api/packs";
import type { PackView } from "../api/schema";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";
import { SavePack } from "./SavePack";
import { keys } from "../api/keys";

type AboutPackProps = {
  pack: PackView;
  /** The newest revision, once all is saved; undefined while something is not. */
  revision: number | undefined;
  onSaved: (title: string) => void;
};

/** What a pack is called, how it is tagged, what its maker says of it, and its way into a file. */
export function AboutPack({ pack, revision, onSaved }: AboutPackProps) {
  const [title, setTitle] = useState(pack.title);
  const [tags, setTags] = useState(pack.tags.join(", "));
  const [words, setWords] = useState(pack.words);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (known: number) =>
      describePack(pack.id, { revision: known, title: title.trim() || pack.title, tags: tags.split(","), words }),
    onSuccess: async () => {
      onSaved(title.trim() || pack.title);
      await queries.invalidateQueries({ queryKey: keys.packs() });
    },
  });
  return (
    <details className="border-b border-line bg-card px-4 py-1.5">
      <summary className="min-h-6 w-fit cursor-pointer">About this pack, and saving it</summary>
      <form
        className="mt-2 flex flex-wrap items-end gap-3 pb-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (revision !== undefined) save.mutate(revision);
        }}
      >
        <TextField label="Title of the pack" className="w-56" maxLength={200} value={title} onChange={setTitle} />
        <TextField label="Tags, with commas between" className="w-56" value={tags} onChange={setTags} />
        <TextField label="What it is" className="min-w-56 flex-1" maxLength={2000} value={words} onChange={setWords} />
        <Button type="submit" disabled={revision === undefined || save.isPending}>
          Keep this
        </Button>
      </form>
      {save.error && <ErrorNotice error={save.error} />}
      <SavePack packId={pack.id} />
    </details>
  );
}
