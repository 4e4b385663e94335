import { Check, Play } from "lucide-react";
import { useState } from "react";
import { mediaAt } from "../api/home";
import type { Action } from "../api/runs";
import type { Table } from "../api/schema";
import { Button } from "../ui/Button";
import { Counters } from "./Status";
import { useSay } from "./translator";

type OpeningProps = { table: Table; picture: string; onAction: (action: Action) => void };

/** The table before a round has begun: the opening words, or the menu of rounds. */
export function Opening({ table, picture, onAction }: OpeningProps) {
  const say = useSay();
  const [only] = table.menu;
  const most = table.menu.length === 1 ? only?.most_questions : undefined;
  const [wanted, setWanted] = useState<number>();
  const questions = wanted ?? only?.questions ?? undefined;
  const length = only?.questions;
  return (
    <div className="m-auto w-full max-w-md py-6 text-center">
      {picture && <img src={mediaAt(picture)} alt="" className="mx-auto mb-4 max-h-64 max-w-full rounded-lg object-contain" />}
      <h2 className="text-4xl text-balance">{table.title || say("untitled")}</h2>
      {table.opening && <p dir="auto" className="mt-3 text-lg text-pretty whitespace-pre-line">{table.opening}</p>}
      {table.told.map((words, place) => (
        <p key={place} dir="auto" className="mt-3 font-serif text-xl font-semibold text-pretty">
          {words}
        </p>
      ))}
      {table.menu.length > 1 ? (
        <>
        {table.menu.some((round) => round.is_played) &&
          table.players.map((player) => (
            <p key={player.name} className="mt-3 flex flex-wrap justify-center gap-x-4 text-soft">
              {table.players.length > 1 && <span>{player.name}</span>}
              <Counters player={player} />
            </p>
          ))}
        <ul aria-label={say("rounds")} className="mt-5 grid gap-2 text-start">
          {table.menu.map((round) => (
            <li key={round.number}>
              <button
                type="button"
                aria-disabled={round.is_played}
                data-next={round.is_played ? undefined : true}
                onClick={round.is_played ? undefined : () => onAction({ action: "begin", round: round.number })}
                className="flex min-h-11 w-full items-center justify-between gap-3 rounded-md border border-edge bg-card px-3 hover:border-ink hover:bg-tint aria-disabled:cursor-default aria-disabled:border-line aria-disabled:bg-card aria-disabled:text-soft"
              >
                <span className="font-serif text-lg font-semibold">{round.title}</span>
                {round.is_played ? (
                  <span className="flex items-center gap-1">
                    <Check className="size-4" aria-hidden /> {say("played")}
                  </span>
                ) : (
                  round.questions !== null && <span className="text-soft">{say("questions", { count: round.questions })}</span>
                )}
              </button>
            </li>
          ))}
        </ul>
        </>
      ) : (
        <>
          {most ? (
            <label className="mt-4 flex items-center justify-center gap-2">
              {say("how many", { most })}
              <input
                type="number"
                min={1}
                max={most}
                value={questions ?? ""}
                onChange={(event) => setWanted(event.target.valueAsNumber || undefined)}
                className="min-h-9 w-20 rounded-md border border-edge bg-card px-2 text-end tabular-nums"
              />
            </label>
          ) : (
            length !== null && length !== undefined && <p className="mt-3 text-soft">{say("questions", { count: length })}</p>
          )}
          <Button
            look="main"
            data-next
            className="mt-5 px-6 text-lg"
            onClick={() => onAction(most && questions ? { action: "begin", questions } : { action: "begin" })}
          >
            <Play aria-hidden className="rtl:-scale-x-100" /> {say("begin")}
          </Button>
        </>
      )}
    </div>
  );
}
