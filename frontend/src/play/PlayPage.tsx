import { useQuery } from "@tanstack/react-query";
import { Trophy } from "lucide-react";
import { useCallback } from "react";
import { useParams } from "react-router";
import { playVoice, showPlayGame, showScores } from "../api/runs";
import { Page } from "../app/Page";
import { WayBack } from "../app/WayBack";
import type { Best } from "../api/schema";
import { useIsAwake } from "../table/hearing";
import { Table } from "../table/Table";
import { REAL_TIME, useCountdown } from "../table/useCountdown";
import { Die } from "../ui/Die";
import { ErrorNotice, Notice } from "../ui/Notice";
import { KeptOfYou } from "./KeptOfYou";
import { Names } from "./Names";
import { playerKey } from "./playerKey";
import { Remark } from "./Remark";
import { Review } from "./Review";
import { ScoreTable } from "./ScoreTable";
import { Settings } from "./Settings";
import { useLook } from "./useLook";
import { usePlay } from "./usePlay";

/** The game alone, for its players. */
export default function PlayPage() {
  useLook();
  const { gameId = "" } = useParams();
  const game = useQuery({ queryKey: ["play", gameId], queryFn: () => showPlayGame(gameId) });
  const play = usePlay(gameId, game.isSuccess, (game.data?.asks_names ?? false) || (game.data?.most_players ?? 1) > 1);
  const run = play.run;
  const { elapsed } = useCountdown(`${run?.id ?? ""} ${run?.seen ?? 0} ${play.laid}`, run?.table, REAL_TIME, play.refresh);
  const isAwake = useIsAwake();
  const runId = run?.id ?? "";
  const voice = useCallback(() => playVoice(runId), [runId]);
  const title = game.data?.title ?? "Play";
  const failure = game.error ?? play.error;
  return (
    <Page title={title}>
      <main className="mx-auto flex min-h-full max-w-2xl flex-col px-3 py-3 sm:px-4 sm:py-6">
        <header className="mb-3 flex items-center gap-2">
          <Die className="size-7 shrink-0" />
          <h1 className="mr-auto min-w-0 font-serif text-lg font-semibold break-words">{title}</h1>
          <Settings />
        </header>
        <div className="flex flex-1 flex-col rounded-xl border border-edge bg-card p-4 shadow-sm sm:p-6">
          {play.isOutOfReach ? (
            <Notice>The connection is lost. What you did is sent as soon as it is back.</Notice>
          ) : (
            failure !== undefined && failure !== null && (
              <>
                <ErrorNotice error={failure} />
                {!run && <WayBack />}
              </>
            )
          )}
          {run?.refused && <Notice>Not taken: {run.refused}</Notice>}
          {play.isAsking && game.data && <Names game={game.data} onStart={play.start} />}
          {play.isAsking && <KeptOfYou />}
          {run ? (
            <>
              <Table
                table={run.table}
                runId={run.id}
                isBusy={play.isBusy}
                isAlone
                elapsed={elapsed}
                sounds={run.sounds}
                soundsAt={`/api/sounds/games/${run.game_id}/${run.revision}`}
                voice={voice}
                onAction={play.act}
                onAgain={play.again}
              />
              {run.table.phase === "opening" && !isAwake && (run.sounds.length > 0 || run.table.narration) && (
                <p className="text-center text-sm text-soft">Sound begins with your first press.</p>
              )}
              {run.table.phase === "opening" && <KeptOfYou />}
              {run.is_best && (
                <p role="status" className="mt-3 text-center font-serif text-xl font-semibold">
                  <Trophy aria-hidden className="mr-2 inline size-5 align-[-3px] text-clay" />
                  This is the best so far.
                </p>
              )}
              {run.asks_remark && <Remark key={run.id} runId={run.id} />}
              {run.table.phase === "ended" && <Afterwards gameId={gameId} runId={run.id} />}
              <Review answered={run.answered} players={run.table.players.map(({ name }) => name)} />
            </>
          ) : (
            !failure && !play.isAsking && <p>Laying the table…</p>
          )}
        </div>
      </main>
    </Page>
  );
}

/** What a list of the best is called, by what makes a run one of them. */
const BEST_WORDS: Record<Best, string> = {
  "highest score": "Best scores",
  "lowest score": "Best scores, the lowest first",
  fastest: "Fastest runs",
};

/** The best scores after a run, and the player's own. */
function Afterwards({ gameId, runId }: { gameId: string; runId: string }) {
  const scores = useQuery({ queryKey: ["scores", gameId, runId], queryFn: () => showScores(gameId, playerKey()) });
  if (!scores.data) return null;
  return (
    <div className="mt-6 space-y-6">
      <ScoreTable title={BEST_WORDS[scores.data.kind]} scores={scores.data.best} isNumbered />
      <ScoreTable title="Your scores" scores={scores.data.mine} />
    </div>
  );
}
