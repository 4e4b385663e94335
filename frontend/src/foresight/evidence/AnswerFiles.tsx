import { useMutation } from "@tanstack/react-query";
import { Download } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { answersAt, bringAnswers, useEvidenceAnew, type Choice } from "../../api/evidence";
import { counted } from "../../app/format";
import { Button, buttonLook } from "../../ui/Button";
import { SwitchField } from "../../ui/fields";
import { FilePick } from "../../ui/FilePick";
import { ErrorNotice, Notice } from "../../ui/Notice";

/** Saves the answers of the runs chosen, and brings those of runs that were played elsewhere. */
export function AnswerFiles({ gameId, choice }: { gameId: string; choice: Choice }) {
  const [hasNames, setHasNames] = useState(false);
  const anew = useEvidenceAnew(gameId);
  const bring = useMutation({ mutationFn: (file: File) => bringAnswers(gameId, file), onSuccess: anew });
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>
          <Download aria-hidden /> Answers as files
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-10 max-h-[70vh] w-104 max-w-[90vw] space-y-3 overflow-auto rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <h3 className="text-xl">Save the answers</h3>
          <SwitchField label="With the names and remarks of players" checked={hasNames} onChange={setHasNames} />
          <p className="flex flex-wrap gap-2">
            <a href={answersAt(gameId, choice, "answers.csv", hasNames)} className={buttonLook()} download>
              CSV, an answer a row
            </a>
            <a href={answersAt(gameId, choice, "answers.jsonl", hasNames)} className={buttonLook()} download>
              JSON Lines, a run a line
            </a>
            <a href={answersAt(gameId, choice, "statements.json", hasNames)} className={buttonLook()} download>
              Statements (xAPI), for learning records
            </a>
          </p>
          <h3 className="text-xl">Bring answers</h3>
          <p>The answers of a game that was played elsewhere, as JSON Lines. They count here from then on.</p>
          <FilePick label="Bring a file of answers" accept=".jsonl,.ndjson" busy={bring.isPending} onFile={(file) => bring.mutate(file)} />
          {bring.error && <ErrorNotice error={bring.error} />}
          {bring.data && (
            <Notice tone={bring.data.refused.length ? "plain" : "good"}>
              <p>
                {counted(bring.data.taken, "run")} taken
                {bring.data.already > 0 && `, ${bring.data.already} were here already`}
                {bring.data.refused.length > 0 && `, ${counted(bring.data.refused.length, "line")} refused`}.
              </p>
              <ul className="mt-1 space-y-2">
                {bring.data.refused.map((row) => (
                  <li key={row.line}>
                    <p>
                      <b>
                        Line {row.line}, column {row.column}:
                      </b>{" "}
                      {row.what}. To mend it, {row.mend}.
                    </p>
                    <code className="block max-h-16 overflow-auto font-mono text-sm break-all">{row.text}</code>
                  </li>
                ))}
              </ul>
            </Notice>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
