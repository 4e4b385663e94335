import { useMutation } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { deleteRuns, useEvidenceAnew, type Choice } from "../api/evidence";
import type { PlayedRun } from "../api/schema";
import { counted, dayBegins } from "../app/format";
import { Button } from "../ui/Button";
import { SelectField } from "../ui/fields";
import { ErrorNotice, Notice } from "../ui/Notice";

/** Deletes what was played for good: one player's runs, or all before a day. */
export function DeleteRuns({ gameId, runs }: { gameId: string; runs: PlayedRun[] }) {
  const [player, setPlayer] = useState("");
  const [day, setDay] = useState("");
  const [isSure, setIsSure] = useState(false);
  const anew = useEvidenceAnew(gameId);
  const remove = useMutation({
    mutationFn: () => {
      const choice: Choice = { ...(player && { player }), ...(day && { before: dayBegins(day) }) };
      return deleteRuns(gameId, choice);
    },
    onSuccess: () => {
      setIsSure(false);
      setPlayer("");
      return anew();
    },
  });
  const names = [...new Set(runs.flatMap((run) => run.players))].sort((one, other) => one.localeCompare(other));
  const whose = player ? `the runs of ${player}` : "all runs";
  const words = `${whose}${day ? ` from before ${day}` : ""}`;
  return (
    <details className="rounded-lg border border-line px-3 py-2">
      <summary className="cursor-pointer font-semibold">Delete what was played</summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <SelectField
          label="Whose"
          value={player}
          options={[{ value: "", label: "everybody’s" }, ...names.map((name) => ({ value: name, label: name }))]}
          onChange={(next) => {
            setPlayer(next);
            setIsSure(false);
          }}
        />
        <label className="font-semibold">
          <span className="mb-1 block">From before</span>
          <input
            type="date"
            value={day}
            onChange={(event) => {
              setDay(event.target.value);
              setIsSure(false);
            }}
            className="min-h-9 rounded-lg border border-edge bg-card px-2.5 font-normal"
          />
        </label>
        {isSure ? (
          <>
            <Button look="main" disabled={remove.isPending} onClick={() => remove.mutate()}>
              <Trash2 aria-hidden /> Yes, delete {words}
            </Button>
            <Button onClick={() => setIsSure(false)}>Keep them</Button>
          </>
        ) : (
          <Button onClick={() => setIsSure(true)}>
            <Trash2 aria-hidden /> Delete {words}…
          </Button>
        )}
      </div>
      <p className="mt-2 text-sm text-soft">They are deleted for good, with names, answers, scores and remarks. Kept runs stay: they contain no names.</p>
      {remove.isSuccess && <Notice tone="good">{counted(remove.data.runs, "run")} deleted for good.</Notice>}
      {remove.error && <ErrorNotice error={remove.error} />}
    </details>
  );
}
