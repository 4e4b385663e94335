import { lazy, Suspense } from "react";
import { Link, NavLink, useParams } from "react-router";
import { useGame } from "../api/games";
import type { GameView } from "../api/schema";
import { Guarded } from "../app/Guarded";
import { Page } from "../app/Page";
import { Die } from "../ui/Die";
import { ErrorNotice } from "../ui/Notice";

const ForecastPart = lazy(() => import("./ForecastPart"));
const EvidencePart = lazy(() => import("./evidence/EvidencePart"));
const KeptPart = lazy(() => import("./kept/KeptPart"));

const PARTS = [
  { path: "", name: "What will happen", Shown: ForecastPart },
  { path: "evidence", name: "What did happen", Shown: EvidencePart },
  { path: "kept", name: "What must still happen", Shown: KeptPart },
];

/** What will happen when people play a game, what did, and what must still. */
export default function ForesightPage() {
  const { gameId = "", part = "" } = useParams();
  const game = useGame(gameId);
  const title = game.data?.document.title ?? "";
  const chosen = PARTS.find(({ path }) => path === part) ?? PARTS[0];
  return (
    <Page title={`${chosen?.name ?? "Foresight"}: ${title}`}>
      <main className="mx-auto max-w-7xl px-4 py-4">
        <header className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
          <Link to="/" aria-label="Back to the shelf" className="rounded-md">
            <Die className="size-8" />
          </Link>
          <h1 className="mr-auto text-3xl">{title ? <>Foresight of <bdi>{title}</bdi></> : "Foresight"}</h1>
          <nav aria-label="Foresight" className="flex gap-4">
            {PARTS.map(({ path, name }) => (
              <NavLink
                key={path}
                to={`/foresight/${gameId}${path && `/${path}`}`}
                end
                className="border-b-2 border-transparent py-1 font-semibold aria-[current=page]:border-clay"
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <Link to={`/game/${gameId}`} className="text-sky underline">
            To the workbench
          </Link>
        </header>
        {game.error && <ErrorNotice error={game.error} />}
        {game.data && chosen && <Part key={`${gameId} ${chosen.path}`} game={game.data} {...chosen} />}
      </main>
    </Page>
  );
}

type PartProps = { game: GameView; name: string; Shown: (typeof PARTS)[number]["Shown"] };

function Part({ game, name, Shown }: PartProps) {
  return (
    <Guarded name={name} resetKeys={[game]}>
      <Suspense fallback={<p role="status">Unfolding…</p>}>
        <Shown game={game} />
      </Suspense>
    </Guarded>
  );
}
