import { useQuery } from "@tanstack/react-query";
import { RotateCcw, Trophy } from "lucide-react";
import { useCallback } from "react";
import { useParams } from "react-router";
import { mediaAt } from "../api/home";
import { useComing } from "../api/home";
import { useDress } from "../api/dress";
import { playVoice, showPlayGame, showScores } from "../api/runs";
import { Page } from "../app/Page";
import type { Best, Dress, Phrase, PlayView } from "../api/schema";
import { useIsAwake } from "../table/hearing";
import { backgroundOf, Dressed } from "../table/Dressed";
import { usePreferences } from "../table/preferences";
import { Table } from "../table/Table";
import { REAL_TIME, useCountdown } from "../table/useCountdown";
import { hasMusic } from "../table/useMusic";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";
import { Die } from "../ui/Die";
import { Notice } from "../ui/Notice";
import { KeptOfYou } from "./KeptOfYou";
import { Names } from "./Names";
import { playerKey } from "./playerKey";
import { Remark } from "./Remark";
import { Review } from "./Review";
import { RunMenu } from "./RunMenu";
import { SaveAnswers } from "./SaveAnswers";
import { ScoreTable } from "./ScoreTable";
import { Settings } from "./Settings";
import { Share } from "./Share";
import { Queued, Trouble } from "./Trouble";
import { usePageLanguage } from "./usePageLanguage";
import { useTextSize } from "./useTextSize";
import { usePlay, type Play } from "./usePlay";
import { useToldOutside } from "./useToldOutside";
import { keys } from "../api/keys";

const NO_SITES: string[] = [];

/** The game alone, for its players. */
export default function PlayPage() {
  useTextSize();
  const { gameId = "" } = useParams();
  const game = useQuery({ queryKey: keys.play(gameId), queryFn: () => showPlayGame(gameId) });
  const asksFirst = (game.data?.asks_names ?? false) || (game.data?.most_players ?? 1) > 1;
  const play = usePlay(gameId, game.isSuccess, game.isError, asksFirst);
  const { run } = play;
  useToldOutside(run, game.data?.framed_by ?? NO_SITES);
  const dress = useDress(gameId, run?.revision ?? game.data?.revision);
  usePageLanguage(dress.data);
  const { look: light } = usePreferences();
  const title = game.data?.title ?? run?.table.title ?? "Play";
  // A run goes on as it began, whatever became of its game.
  const failure: unknown = (run ? undefined : game.error) ?? dress.error ?? play.error ?? undefined;
  const isOlder = run !== undefined && run.table.phase !== "ended" && (game.isError || (game.data !== undefined && game.data.revision !== run.revision));
  const phase = run?.table.phase ?? "opening";
  const isOnPicture = dress.data !== undefined && backgroundOf(dress.data.look, phase).picture !== "";
  const page = (
    <main className="mx-auto flex min-h-full w-full max-w-2xl flex-1 flex-col px-3 py-3 sm:px-4 sm:py-6">
      <header className={`mb-3 flex flex-wrap items-center justify-end gap-x-2 ${isOnPicture ? "rounded-xl bg-card px-3 py-1" : ""}`}>
        {dress.data?.look.die_picture ? (
          <img src={mediaAt(dress.data.look.die_picture)} alt="" className="size-7 shrink-0 object-contain" />
        ) : (
          dress.data?.look.shows_die !== false && <Die className="size-7 shrink-0" />
        )}
        <h1 className="me-auto min-w-32 flex-1 font-serif text-lg font-semibold break-words">{title}</h1>
        {run && !play.isAsking && <RunMenu play={play} canBegin={game.isSuccess} asksNames={asksFirst} hasEnded={phase === "ended"} />}
        <Settings hasMusic={dress.data !== undefined && hasMusic(dress.data.look)} />
      </header>
      <div className="flex flex-1 flex-col rounded-xl border border-edge bg-card p-4 shadow-sm sm:p-6">
        {failure !== undefined && <Trouble error={failure} />}
        <Queued />
        {failure !== undefined && !run && !play.isOutOfReach && <Again />}
        {dress.data && play.isAsking && game.data && <Names game={game.data} picture={dress.data.look.opening_picture} onStart={play.start} onBack={run && phase !== "ended" ? play.keepOn : undefined} />}
        {dress.data && play.isAsking && <KeptOfYou />}
        {isOlder && !play.isAsking && <Older onAnew={game.isSuccess ? play.anew : undefined} />}
        {run && dress.data && !play.isAsking ? (
          <Played play={play} run={run} dress={dress.data} />
        ) : (
          failure === undefined && !play.isAsking && <Laying />
        )}
      </div>
    </main>
  );
  return (
    <Page title={title}>
      {dress.data ? (
        <Dressed dress={dress.data} phase={phase} light={light} className="flex min-h-full flex-col">
          {page}
        </Dressed>
      ) : (
        page
      )}
    </Page>
  );
}

/** The page anew: all a player can do where there is no run. */
function Again() {
  const say = useSay();
  return (
    <p className="mt-3">
      <Button onClick={() => window.location.reload()}>
        <RotateCcw aria-hidden /> {say("try again")}
      </Button>
    </p>
  );
}

/** Says that the game was changed since the run began. */
function Older({ onAnew }: { onAnew: (() => void) | undefined }) {
  const say = useSay();
  return (
    <Notice>
      <span className="flex flex-wrap items-center justify-between gap-2">
        {say("older version")}
        {onAnew && <Button onClick={onAnew}>{say("begin anew")}</Button>}
      </span>
    </Notice>
  );
}

type PlayedProps = { play: Play; run: PlayView; dress: Dress };

function Laying() {
  const say = useSay();
  const share = useComing();
  return (
    <>
      <p>{say("laying")}</p>
      {share !== undefined && <progress aria-label={say("laying")} value={share} className="mt-2 h-2 w-full accent-accent" />}
    </>
  );
}

/** A run on the table, and after it what it came to. */
function Played({ play, run, dress }: PlayedProps) {
  const say = useSay();
  const { elapsed } = useCountdown(`${run.id} ${run.seen} ${play.laid}`, run.table, REAL_TIME, play.refresh);
  const isAwake = useIsAwake();
  const voice = useCallback(() => playVoice(run.id), [run.id]);
  const isHeard = run.sounds.length > 0 || run.table.narration !== null;
  return (
    <>
      {run.refused && <Notice>{say("not taken", { why: run.refused })}</Notice>}
      <Table
        table={run.table}
        look={dress.look}
        hasMusic
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
      {run.table.phase === "opening" && !isAwake && isHeard && (
        <p className="text-center text-sm text-soft">{say("sound with a press")}</p>
      )}
      {run.table.phase === "opening" && <KeptOfYou />}
      {run.is_best && (
        <p role="status" className="mt-3 text-center font-serif text-xl font-semibold">
          <Trophy aria-hidden className="me-2 inline size-5 align-[-3px] text-accent" />
          {say("best so far")}
        </p>
      )}
      {run.table.ending && <Share table={run.table} ending={run.table.ending} />}
      {run.asks_remark && <Remark key={run.id} runId={run.id} />}
      {run.table.phase === "ended" && <SaveAnswers />}
      {run.table.phase === "ended" && <Afterwards gameId={run.game_id} runId={run.id} />}
      <Review answered={run.answered} players={run.table.players.map(({ name }) => name)} />
    </>
  );
}

/** What a list of the best is called, by what makes a run one of them. */
const BEST_WORDS: Record<Best, Phrase> = {
  "highest score": "best scores",
  "lowest score": "lowest scores",
  fastest: "fastest runs",
};

/** The best scores after a run, and the player's own. */
function Afterwards({ gameId, runId }: { gameId: string; runId: string }) {
  const say = useSay();
  const scores = useQuery({ queryKey: keys.scores(gameId, runId), queryFn: () => showScores(gameId, playerKey()) });
  if (!scores.data) return null;
  return (
    <div className="mt-6 space-y-6">
      <ScoreTable title={say(BEST_WORDS[scores.data.kind])} scores={scores.data.best} isNumbered />
      <ScoreTable title={say("your scores")} scores={scores.data.mine} />
    </div>
  );
}
