import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { sendRemark } from "../api/runs";
import { Button } from "../ui/Button";
import { TextAreaField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";

/** A word of the player's to the maker, once a run has ended. */
export function Remark({ runId }: { runId: string }) {
  const [words, setWords] = useState("");
  const send = useMutation({ mutationFn: () => sendRemark(runId, words.trim()) });
  if (send.isSuccess) return <p role="status" className="mt-6">Thank you: your remark is kept with this run.</p>;
  return (
    <form
      className="mt-6 space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim()) send.mutate();
      }}
    >
      <TextAreaField label="A remark for the maker" value={words} maxLength={1000} onChange={setWords} />
      {send.error && <ErrorNotice error={send.error} />}
      <Button type="submit" disabled={!words.trim() || send.isPending}>
        Send it
      </Button>
    </form>
  );
}
