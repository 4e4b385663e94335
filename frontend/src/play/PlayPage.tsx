import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { showPlayGame } from "../api/runs";
import { Page } from "../app/Page";
import { Die } from "../ui/Die";
import { ErrorNotice } from "../ui/Notice";
import { Table } from "../table/Table";
import { REAL_TIME, useCountdown } from "../table/useCountdown";
import { Names } from "./Names";
import { usePlay } from "./usePlay";

/** The game alone, for its players. */
export default function PlayPage() {
  const { gameId = "" } = useParams();
  const game = useQuery({ queryKey: ["play", gameId], queryFn: () => showPlayGame(gameId) });
  const play = usePlay(gameId, game.isSuccess, (game.data?.asks_names ?? false) || (game.data?.most_players ?? 1) > 1);
  const run = play.run;
  const { elapsed } = useCountdown(
    `${run?.id ?? ""} ${run?.seen ?? 0} ${play.laid}`,
    run?.table,
    REAL_TIME,
    play.refresh,
  );
  const title = game.data?.title ?? "Play";
  const failure = game.error ?? play.error;
  return (
    <Page title={title}>
      <main className="mx-auto flex min-h-full max-w-2xl flex-col px-4 py-4 sm:py-8">
        <p className="mb-3 flex items-center gap-2 font-serif text-lg font-semibold">
          <Die className="size-6" /> {title}
        </p>
        <div className="flex flex-1 flex-col rounded-xl border border-edge bg-card p-4 shadow-sm sm:p-6">
          {failure !== undefined && failure !== null && <ErrorNotice error={failure} />}
          {play.isAsking && game.data && <Names game={game.data} onStart={play.start} />}
          {play.run ? (
            <Table
              table={play.run.table}
              runId={play.run.id}
              isBusy={play.isBusy}
              isAlone
              elapsed={elapsed}
              onAction={play.act}
              onAgain={play.again}
            />
          ) : (
            !failure && !play.isAsking && <p>Laying the table…</p>
          )}
        </div>
      </main>
    </Page>
  );
}
