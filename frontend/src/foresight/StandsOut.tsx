import { Link } from "react-router";
import { useForeseen } from "../api/foresight";
import type { GameView } from "../api/schema";

/** What a forecast finds wrong with the game. */
export function StandsOut({ game }: { game: GameView }) {
  const problems = useForeseen(game.id, game.revision);
  return (
    <section aria-labelledby="stands-out" className="rounded-xl border border-line bg-card p-4">
      <h2 id="stands-out" className="mb-1 text-2xl">
        What to look at
      </h2>
      {problems.isFetching && <p role="status">All ready scouts are followed…</p>}
      {problems.data?.length === 0 && <p>Nothing stands out for any of the ready scouts.</p>}
      <ul className="space-y-2">
        {problems.data?.map((problem) => (
          <li key={problem.where + problem.what} className="border-l-4 border-sun pl-3">
            <p className="font-semibold">Warning: {problem.what}</p>
            <p>
              To mend it, {problem.mend}.{" "}
              <Link to={`/game/${game.id}/${problem.stop}`} className="text-sky underline">
                Go there
              </Link>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
