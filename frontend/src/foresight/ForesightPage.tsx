import { useState } from "react";
import { Link, useParams } from "react-router";
import { useForecast } from "../api/foresight";
import { useGame } from "../api/games";
import { SCOUTS } from "../api/parts";
import type { GameView, Scout } from "../api/schema";
import { Guarded } from "../app/Guarded";
import { Page } from "../app/Page";
import { Die } from "../ui/Die";
import { ErrorNotice } from "../ui/Notice";
import { Endings } from "./Endings";
import { Pictures } from "./Pictures";
import { ScoutsPlay } from "./ScoutsPlay";
import { StandsOut } from "./StandsOut";
import { WhatIf } from "./WhatIf";
import { WhoPlays } from "./WhoPlays";

const STEADY = SCOUTS.filter((scout) => scout.name === "steady");

/** What will happen when people play a game. */
export default function ForesightPage() {
  const { gameId = "" } = useParams();
  const game = useGame(gameId);
  const title = game.data?.document.title ?? "";
  return (
    <Page title={`Foresight of ${title}`}>
      <main className="mx-auto max-w-7xl px-4 py-4">
        <header className="mb-4 flex items-center gap-3">
          <Link to="/" aria-label="Back to the shelf" className="rounded-md">
            <Die className="size-8" />
          </Link>
          <h1 className="mr-auto text-3xl">{title ? `What will happen in ${title}` : "Foresight"}</h1>
          <Link to={`/game/${gameId}`} className="text-sky underline">
            To the workbench
          </Link>
        </header>
        {game.error && <ErrorNotice error={game.error} />}
        {game.data && <Foreseen key={gameId} game={game.data} />}
      </main>
    </Page>
  );
}

function Foreseen({ game }: { game: GameView }) {
  const [scouts, setScouts] = useState<Scout[]>(STEADY);
  const forecast = useForecast(game.id, game.revision, scouts);
  const told = forecast.data;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <WhoPlays scouts={scouts} mostPlayers={game.document.opening.most_players} onChange={setScouts} />
      <div className="min-w-0 space-y-4">
        {forecast.error && <ErrorNotice error={forecast.error} />}
        {!told && !forecast.error && <p role="status">Working it out…</p>}
        {told && (
          <Guarded name="the forecast" resetKeys={[told]}>
            <Endings game={game} scouts={scouts} told={told} isBusy={forecast.isFetching} />
            <Pictures told={told} />
            <WhatIf game={game} scouts={scouts} />
            <ScoutsPlay game={game} scouts={scouts} told={told} />
            <StandsOut game={game} />
          </Guarded>
        )}
      </div>
    </div>
  );
}
