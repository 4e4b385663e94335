import { Heart, Hourglass } from "lucide-react";
import { useSay, useWording } from "./translator";
import type { ClockShown, PlayerShown, Table } from "../api/schema";

type StatusProps = { table: Table; elapsed: number };

/** Where the player stands: question number, counters, clocks. */
export function Status({ table, elapsed }: StatusProps) {
  const say = useSay();
  const number = table.question?.number;
  const spent = table.clocks_run ? elapsed : 0;
  return (
    <div className="space-y-1.5 text-soft">
      <div className="flex flex-wrap justify-between gap-x-4 gap-y-1">
        <span>
          {table.round && <span className="me-2 font-semibold text-ink">{table.round}</span>}
          {number !== undefined &&
            (table.length === null ? say("question number", { number }) : say(table.may_be_fewer ? "question up to" : "question of", { number, count: table.length }))}
        </span>
        {table.players.length === 1 && table.players[0] && <Counters player={table.players[0]} />}
      </div>
      {table.players.length > 1 && (
        <ul className="grid gap-1">
          {table.players.map((player) => (
            <li
              key={player.name}
              className={`flex justify-between gap-4 rounded-md px-2 ${player.has_turn ? "bg-tint text-ink" : ""}`}
            >
              <span>
                {player.name}
                {player.has_turn && <span className="ms-2 text-sm">{say("has the turn")}</span>}
                {player.is_out && <span className="ms-2 text-sm">{say("is out")}</span>}
              </span>
              <Counters player={player} />
            </li>
          ))}
        </ul>
      )}
      {table.clocks.map((clock) => (
        <Countdown key={clock.of} clock={clock} left={Math.max(0, clock.left - spent)} isOnly={table.clocks.length === 1} />
      ))}
    </div>
  );
}

export function Counters({ player }: { player: PlayerShown }) {
  const { number } = useWording();
  return (
    <span className="flex flex-wrap gap-x-4">
      {player.counters.filter(({ is_hidden }) => !is_hidden).map(({ name, value, label }) => (
        <span key={name} className="whitespace-nowrap">
          {name === "lives" && <Heart className="me-1 inline size-4 align-[-2px] text-accent" aria-hidden />}
          {label} <b className="text-ink tabular-nums">{number(value)}</b>
        </span>
      ))}
    </span>
  );
}

type CountdownProps = { clock: ClockShown; left: number; isOnly: boolean };

/** How little time is left when those who listen are told so, once each. */
const TOLD_S = [5, 10];

const CLOCKS = {
  question: { name: "clock of the question", short: "of the question" },
  round: { name: "clock of the round", short: "of the round" },
  game: { name: "clock of the game", short: "of the game" },
} as const;

function Countdown({ clock, left, isOnly }: CountdownProps) {
  const say = useSay();
  const seconds = Math.ceil(left / 1000);
  const isShort = left <= 5000;
  const told = TOLD_S.find((mark) => seconds > 0 && seconds <= mark && clock.allowed > 1000 * mark);
  return (
    <div className="flex items-center gap-2" role="timer" aria-label={say(CLOCKS[clock.of].name)}>
      <Hourglass className="size-4 shrink-0" aria-hidden />
      {!isOnly && <span className="w-16 text-sm">{say(CLOCKS[clock.of].short)}</span>}
      <span className="h-2.5 flex-1 overflow-hidden rounded-full border border-edge bg-paper">
        <span
          className={`block h-full ${isShort ? "bg-bad" : "bg-good"}`}
          style={{ width: `${(100 * left) / Math.max(clock.allowed, 1)}%` }}
        />
      </span>
      <span role="status" className="sr-only">
        {told && say("seconds left", { count: told })}
      </span>
      <b className={`min-w-12 text-end tabular-nums ${isShort ? "text-bad" : "text-ink"}`}>{say("seconds", { count: seconds })}</b>
    </div>
  );
}
