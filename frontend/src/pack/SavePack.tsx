import { useMutation } from "@tanstack/react-query";
import { fileAt } from "../api/client";
import { ErrorNotice } from "../ui/Notice";

const ENDINGS = ["tsv", "csv", "txt", "xlsx", "json", "yaml", "qti3.zip", "qti21.zip"];
/** What a format is called where its ending does not tell. */
const NAMES: Record<string, string> = { "qti3.zip": "QTI 3.0", "qti21.zip": "QTI 2.1" };

/** Saves a pack as a file in any of the open formats, or says why one cannot carry it. */
export function SavePack({ packId }: { packId: string }) {
  const save = useMutation({ mutationFn: (ending: string) => download(packId, ending) });
  return (
    <div className="space-y-2">
      <p>
        Save this pack as{" "}
        {ENDINGS.map((ending) => (
          <button
            key={ending}
            type="button"
            className="mr-3 min-h-6 text-sky underline"
            onClick={() => save.mutate(ending)}
          >
            {NAMES[ending] ?? ending.toUpperCase()}
          </button>
        ))}
      </p>
      {save.error && <ErrorNotice error={save.error} />}
    </div>
  );
}

async function download(packId: string, ending: string) {
  const file = await fileAt(`/api/packs/${packId}/questions.${ending}`);
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = `${packId}.${ending}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
