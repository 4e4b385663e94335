import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { useBring } from "../api/loads";
import { Button } from "../ui/Button";
import { Die } from "../ui/Die";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice } from "../ui/Notice";
import { useFileDrop } from "../ui/useFileDrop";
import { Templates } from "./Templates";

/** The place to paste questions, or to choose their file. */
export function Bring() {
  const [text, setText] = useState("");
  /** The same as it was copied, with its tables and what stands out; until it is edited here. */
  const [copied, setCopied] = useState("");
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const bring = useBring();
  const take = (brought: File | string) =>
    bring.mutate(brought, {
      onSuccess: ({ id }) => void navigate({ pathname: `/load/${id}`, search: search.toString() }),
    });
  useFileDrop(take);
  return (
    <main className="mx-auto max-w-3xl space-y-4 p-6">
      <div className="flex items-center gap-3">
        <Link to="/" aria-label="Back to the shelf" className="rounded-md">
          <Die className="size-9" />
        </Link>
        <h1 className="text-3xl">Load questions</h1>
      </div>
      <p>
        Drop a file anywhere on this page, choose one, or paste: a spreadsheet, a document with questions written
        out, a list of questions and answers, JSON. You will see what comes of it before anything is kept.
      </p>
      {bring.error && <ErrorNotice error={bring.error} />}
      <FilePick label="Choose a question file" look="main" busy={bring.isPending} onFile={take} />
      <form
        className="space-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          take(copied || text);
        }}
      >
        <label htmlFor="pasted" className="block font-semibold">
          Or paste questions
        </label>
        <textarea
          id="pasted"
          rows={10}
          value={text}
          onPaste={(event) => {
            const html = event.clipboardData.getData("text/html");
            if (!html || text) return;
            event.preventDefault();
            setText(event.clipboardData.getData("text/plain"));
            setCopied(html);
          }}
          onChange={(event) => {
            setText(event.target.value);
            setCopied("");
          }}
          className="w-full rounded-lg border border-edge bg-card p-3"
        />
        {copied && <p className="text-soft">Its tables, lists and what stands out in it are kept; edited here, it is plain text.</p>}
        <Button type="submit" disabled={bring.isPending}>
          Look at them
        </Button>
      </form>
      <Templates />
    </main>
  );
}
