import { VALUES } from "../../../api/parts";
import type { Game, Way } from "../../../api/schema";
import { SelectField, type Option } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { outcomesOf } from "./outcomes";
import { RoundMap } from "./RoundMap";

/** Where the run goes from a question that is done with, and the map of the rounds. */
export function MoveOnBench({ game, document, round, number, at, editRound }: BenchProps) {
  const moves = round.moves;
  return (
    <div className="space-y-5">
      <div className="grid gap-4 xl:grid-cols-2">
        {outcomesOf(round).map((name) => (
          <SelectField
            key={name}
            where={`${at}.moves.${name}`}
            value={keyOf(moves[name])}
            options={waysFrom(document, number, moves[name])}
            onChange={(key) => editRound({ moves: { ...moves, [name]: wayOf(key) } })}
          />
        ))}
      </div>
      <p className="text-soft">
        While tries are left, the question stands. The rule script can say otherwise with finish, go, again and skip.
      </p>
      <RoundMap
        document={document}
        chosen={number}
        scriptWays={game.script_ways}
        onWay={(outcome, to, name) => editRound({ moves: { ...moves, [outcome]: { to, name } } })}
      />
    </div>
  );
}

/** Every way there is from a round, and the one chosen even if what it names is gone. */
function waysFrom(document: Game, number: number, chosen: Way): Option<string>[] {
  const rounds = document.rounds.filter((_, index) => index !== number);
  const ways: Option<string>[] = VALUES.To.flatMap(({ value, label }) => {
    if (value === "round") return rounds.map(({ title }) => ({ value: `round:${title}`, label: `${label} “${title}”` }));
    if (value !== "ending") return [{ value, label }];
    return document.endings.map(({ title }) => ({ value: `ending:${title}`, label: `${label} “${title}”` }));
  });
  const key = keyOf(chosen);
  const isThere = ways.some(({ value }) => value === key);
  return isThere ? ways : [...ways, { value: key, label: `${chosen.to} “${chosen.name}”, which is gone` }];
}

function keyOf(way: Way): string {
  return way.to === "round" || way.to === "ending" ? `${way.to}:${way.name}` : way.to;
}

function wayOf(key: string): Way {
  for (const to of ["round", "ending"] as const) {
    if (key.startsWith(`${to}:`)) return { to, name: key.slice(to.length + 1) };
  }
  if (key === "same question" || key === "next round") return { to: key, name: "" };
  return { to: "next question", name: "" };
}
