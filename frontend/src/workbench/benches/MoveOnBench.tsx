import type { Game, Way } from "../../api/schema";
import type { BenchProps } from "./Bench";
import { RoundMap } from "./RoundMap";

const OUTCOMES = [
  ["right", "After a right answer"],
  ["wrong", "After the last wrong try"],
  ["timeout", "When it is too late"],
  ["passed", "After a pass"],
] as const;

/** Where the run goes from a question that is done with, and the map of the rounds. */
export function MoveOnBench({ document, round, number, editRound }: BenchProps) {
  const moves = round.moves;
  return (
    <div className="space-y-5">
      <div className="grid gap-4 xl:grid-cols-2">
        {OUTCOMES.map(([name, label]) => (
          <label key={name} className="block">
            <span className="mb-1 block font-semibold">{label}</span>
            <select
              value={keyOf(moves[name])}
              onChange={(event) => editRound({ moves: { ...moves, [name]: wayOf(event.target.value) } })}
              className="min-h-9 w-full rounded-lg border border-edge bg-card px-2"
            >
              <WayOptions document={document} number={number} way={moves[name]} />
            </select>
          </label>
        ))}
      </div>
      <p className="text-soft">
        While tries are left, the question stands. The rule script can say otherwise with finish, go, again and skip.
      </p>
      <RoundMap document={document} chosen={number} />
    </div>
  );
}

type WayOptionsProps = { document: Game; number: number; way: Way };

function WayOptions({ document, number, way }: WayOptionsProps) {
  const titles = (way.to === "round" ? document.rounds : document.endings).map(({ title }) => title);
  const isLost = (way.to === "round" || way.to === "ending") && !titles.includes(way.name);
  return (
    <>
      <option value="next question">the next question</option>
      <option value="same question">the same question, asked anew</option>
      <option value="next round">the round is over</option>
      {document.rounds.map(
        (round, index) =>
          index !== number && (
            <option key={index} value={`round:${round.title}`}>
              round “{round.title}”
            </option>
          ),
      )}
      {document.endings.map((ending, index) => (
        <option key={index} value={`ending:${ending.title}`}>
          ending “{ending.title}”
        </option>
      ))}
      {isLost && <option value={keyOf(way)}>{`${way.to} “${way.name}”, which is gone`}</option>}
    </>
  );
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
