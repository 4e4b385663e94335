import { Copy } from "lucide-react";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { showSharing } from "../api/players";
import type { GameView } from "../api/schema";
import { useGameDraft } from "../draft/useGameDraft";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";
import { keys } from "../api/keys";

/** The game inside a page of another site: which ones may, and what is put there. */
export function Framed({ game }: { game: GameView }) {
  const { draft } = useGameDraft(game);
  const sharing = useQuery({ queryKey: keys.sharing(game.id), queryFn: () => showSharing(game.id) });
  const [typed, setTyped] = useState(game.document.framed_by.join("\n"));
  const [isCopied, setIsCopied] = useState(false);
  const sites = typed.split(/\s+/).filter((site) => site !== "");
  const save = useMutation({
    mutationFn: () => {
      draft.edit((document) => ({ ...document, framed_by: sites }));
      return draft.saved();
    },
  });
  const problems = game.problems.filter(({ field }) => field === "framed_by");
  const snippet = sharing.data && snippetFor(sharing.data.address, game.document.title);
  return (
    <section aria-labelledby="framed" className="mt-5 rounded-xl border border-line bg-card p-5">
      <h2 id="framed" className="text-2xl">
        Inside another page
      </h2>
      <p className="mt-2">
        A page of a site you name here can show the game in a frame, played from this server. It is told when the game has begun, each
        answer's result, and how it ended; nothing else. No site may, unless it is named.
      </p>
      <div className="mt-3 grid gap-5 md:grid-cols-2">
        <form
          onSubmit={(event) => {
            event.preventDefault();
            save.mutate();
          }}
        >
          <label className="block font-semibold">
            Sites that may, one a line
            <textarea
              value={typed}
              rows={3}
              spellCheck={false}
              placeholder="https://school.example"
              onChange={(event) => setTyped(event.target.value)}
              className="mt-1 block w-full rounded-md border border-edge bg-card p-2 font-mono font-normal placeholder:text-soft"
            />
          </label>
          {problems.map((problem) => (
            <p key={problem.where} className="mt-1 border-l-4 border-sun pl-3 text-sm">
              {problem.what}: {problem.mend}.
            </p>
          ))}
          {save.error && <ErrorNotice error={save.error} />}
          <Button type="submit" className="mt-2" disabled={save.isPending}>
            Save the sites
          </Button>
          <span role="status" className="ml-3">
            {save.isSuccess && "Saved."}
          </span>
        </form>
        {snippet && (
          <div>
            <p className="font-semibold" id="snippet">
              What is put into the page
            </p>
            <pre tabIndex={0} aria-labelledby="snippet" className="mt-1 overflow-auto rounded-md border border-line bg-paper p-2 text-sm">
              {snippet}
            </pre>
            {window.isSecureContext && (
              <p className="mt-2 flex items-center gap-2">
                <Button onClick={() => void navigator.clipboard.writeText(snippet).then(() => setIsCopied(true))}>
                  <Copy aria-hidden /> Copy it
                </Button>
                <span role="status">{isCopied && "Copied."}</span>
              </p>
            )}
          </div>
        )}
      </div>
    </section>
  );
}

/** The frame, and a script that gives it the height it says it has. */
function snippetFor(address: string, title: string): string {
  const named = title.replace(/&/g, "&amp;").replace(/"/g, "&quot;").replace(/</g, "&lt;");
  return `<iframe id="dice-trail" src="${address}" title="${named}"
  sandbox="allow-scripts allow-same-origin" allow="autoplay"
  style="width: 100%; height: 40rem; border: 0"></iframe>
<script>
  addEventListener("message", ({ origin, data }) => {
    if (origin === "${new URL(address).origin}" && data.what === "size")
      document.getElementById("dice-trail").style.height = data.height + "px";
  });
</script>`;
}
