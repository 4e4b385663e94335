import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { sendRemark } from "../api/runs";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";
import { TextAreaField } from "../ui/fields";
import { Trouble } from "./Trouble";

/** A word of the player's to the maker, once a run has ended. */
export function Remark({ runId }: { runId: string }) {
  const say = useSay();
  const [words, setWords] = useState("");
  const send = useMutation({ mutationFn: () => sendRemark(runId, words.trim()) });
  if (send.isSuccess) return <p role="status" className="mt-6">{say("thanks")}</p>;
  return (
    <form
      className="mt-6 space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim()) send.mutate();
      }}
    >
      <TextAreaField label={say("remark")} value={words} maxLength={1000} onChange={setWords} />
      {send.error && <Trouble error={send.error} />}
      <Button type="submit" disabled={!words.trim() || send.isPending}>
        {say("send remark")}
      </Button>
    </form>
  );
}
