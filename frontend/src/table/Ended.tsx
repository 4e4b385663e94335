import { RotateCcw } from "lucide-react";
import { mediaAt } from "../api/home";
import type { EndingShown, Table } from "../api/schema";
import { BadgePicture } from "./BadgePicture";
import { Button } from "../ui/Button";
import { useWording } from "./translator";

type EndedProps = { table: Table; ending: EndingShown; onAgain: () => void };

/** The table after the end: the verdict for the score. */
export function Ended({ table, ending, onAgain }: EndedProps) {
  const { say, number } = useWording();
  return (
    <div className="m-auto max-w-md py-3 text-center">
      <p className="text-soft">{table.title}</p>
      {ending.picture && (
        <img src={mediaAt(ending.picture)} alt="" className="mx-auto mt-2 max-h-64 max-w-full rounded-lg object-contain" />
      )}
      <BadgePicture badge={ending.badge} name={ending.badge_name} className="mx-auto mt-2 size-24" />
      {table.players.length > 1 && <p className="mt-1 text-lg font-semibold">{ending.player}</p>}
      <h2 className="mt-1 text-4xl text-balance">{ending.title}</h2>
      <p dir="auto" className="mt-2 text-lg text-pretty">{ending.verdict}</p>
      {table.told.map((words, place) => (
        <p key={place} dir="auto" className="mt-2 font-serif text-xl font-semibold">
          {words}
        </p>
      ))}
      <p className="mt-3">
        <b className="font-serif text-3xl tabular-nums">{say("points", { count: table.score })}</b>
        <span className="block text-soft">
          {say("so many right", { right: table.right_count, asked: table.asked_count, percent: table.percent })}
        </span>
      </p>
      {table.players.length > 1 && (
        <ul className="mx-auto mt-3 max-w-60 text-start">
          {table.players.map((player) => (
            <li key={player.name} className="flex justify-between border-b border-line py-1">
              <span>{player.name}</span>
              <b className="tabular-nums">{number(player.counters.find(({ name }) => name === "score")?.value ?? 0)}</b>
            </li>
          ))}
        </ul>
      )}
      <Button look="main" data-next className="mt-3" onClick={onAgain}>
        <RotateCcw aria-hidden /> {say("play again")}
      </Button>
    </div>
  );
}
