import { useState } from "react";
import { useForecast } from "../api/foresight";
import { SCOUTS } from "../api/parts";
import type { GameView, Scout } from "../api/schema";
import { Guarded } from "../app/Guarded";
import { ErrorNotice } from "../ui/Notice";
import { Endings } from "./Endings";
import { Pictures } from "./Pictures";
import { ScoutsPlay } from "./ScoutsPlay";
import { StandsOut } from "./StandsOut";
import { WhatIf } from "./WhatIf";
import { WhoPlays } from "./WhoPlays";

const STEADY = SCOUTS.filter((scout) => scout.name === "steady");

/** What will happen when people play a game. */
export default function ForecastPart({ game }: { game: GameView }) {
  const [scouts, setScouts] = useState<Scout[]>(STEADY);
  const forecast = useForecast(game.id, game.revision, scouts);
  const told = forecast.data;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <WhoPlays gameId={game.id} scouts={scouts} mostPlayers={game.document.opening.most_players} onChange={setScouts} />
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
