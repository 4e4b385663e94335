import { shortly } from "../api/dice";
import { useQuery } from "@tanstack/react-query";
import { Copy } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { useGame } from "../api/games";
import { listPlayedRuns, showSharing } from "../api/players";
import { showScores } from "../api/runs";
import type { PlayedRun } from "../api/schema";
import { ago, minutes } from "../app/format";
import { Page } from "../app/Page";
import { ScoreTable } from "../play/ScoreTable";
import { Button } from "../ui/Button";
import { DeleteRuns } from "./DeleteRuns";
import { PlayingNow } from "./PlayingNow";
import { Die } from "../ui/Die";
import { ErrorNotice } from "../ui/Notice";
import { keys } from "../api/keys";

const WATCHES_EVERY_MS = 2000;

/** How players come to a game, their best scores, and every run they played. */
export default function PlayersPage() {
  const { gameId = "" } = useParams();
  const game = useGame(gameId);
  const runs = useQuery({ queryKey: keys.playedRuns(gameId), queryFn: () => listPlayedRuns(gameId), refetchInterval: WATCHES_EVERY_MS });
  const scores = useQuery({ queryKey: keys.scores(gameId), queryFn: () => showScores(gameId, ""), refetchInterval: 5000 });
  const title = game.data?.document.title ?? "";
  const failure = game.error ?? runs.error ?? scores.error;
  return (
    <Page title={`Players of ${title}`}>
      <main className="mx-auto max-w-6xl px-4 py-5">
        <header className="mb-5 flex items-center gap-3">
          <Link to="/" aria-label="Back to the shelf" className="rounded-md">
            <Die className="size-8" />
          </Link>
          <h1 className="mr-auto text-3xl">Players of <bdi>{title}</bdi></h1>
          <Link to={`/game/${gameId}`} className="text-sky underline">
            To the workbench
          </Link>
        </header>
        {failure && <ErrorNotice error={failure} />}
        <div hidden={game.isError} className="grid items-start gap-5 lg:grid-cols-[20rem_minmax(0,1fr)]">
          <Share gameId={gameId} />
          <div className="space-y-6 rounded-xl border border-line bg-card p-5">
            {scores.data && (
              <ScoreTable title={`Best scores of version ${scores.data.revision}`} scores={scores.data.best} isNumbered />
            )}
            {runs.data && <PlayingNow gameId={gameId} runs={runs.data} />}
            {runs.data && <Runs gameId={gameId} runs={runs.data} />}
            {runs.data && runs.data.length > 0 && <DeleteRuns gameId={gameId} runs={runs.data} />}
          </div>
        </div>
      </main>
    </Page>
  );
}

/** The address of the players' page, to be copied or scanned. */
function Share({ gameId }: { gameId: string }) {
  const sharing = useQuery({ queryKey: keys.sharing(gameId), queryFn: () => showSharing(gameId) });
  const [isCopied, setIsCopied] = useState(false);
  if (!sharing.data) return null;
  const { address, is_local } = sharing.data;
  return (
    <section aria-labelledby="share" className="rounded-xl border border-line bg-card p-5">
      <h2 id="share" className="text-2xl">
        Invite players
      </h2>
      <img src={`/api/games/${gameId}/qr.svg`} alt={`QR code of ${address}`} className="mx-auto mt-3 w-full max-w-60" />
      <a href={address} target="_blank" rel="noreferrer" className="mt-3 block break-all text-sky underline">
        {address}
      </a>
      {window.isSecureContext && (
        // Beyond this machine's own address browsers let no page copy.
        <p className="mt-2 flex items-center gap-2">
          <Button onClick={() => void navigator.clipboard.writeText(address).then(() => setIsCopied(true))}>
            <Copy aria-hidden /> Copy the address
          </Button>
          <span role="status">{isCopied && "Copied."}</span>
        </p>
      )}
      {is_local && (
        <p className="mt-3 text-sm text-soft">
          This address is good on this machine alone. Start the server with <code className="font-mono">--host 0.0.0.0</code> to
          let others on your network play; the maker's pages then ask for a key, the players' page does not.
        </p>
      )}
    </section>
  );
}

function Runs({ gameId, runs }: { gameId: string; runs: PlayedRun[] }) {
  if (runs.length === 0) {
    return (
      <p className="text-soft">
        Nobody has played yet. Give players the address, or{" "}
        <a href={`/play/${gameId}`} target="_blank" rel="noreferrer" className="text-sky underline">
          play it yourself
        </a>{" "}
        as they will; the run is listed here.
      </p>
    );
  }
  return (
    <table className="w-full text-left">
      <caption className="mb-1 text-left font-serif text-2xl font-semibold">Every run</caption>
      <thead className="text-sm text-soft">
        <tr>
          {["Who", "When", "Dice", "Score", "Ending", "Time", "Version", ""].map((heading) => (
            <th key={heading} scope="col" className="py-1 pr-3 font-normal">
              {heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {runs.map((run) => (
          <tr key={run.id} className="border-t border-line">
            <th scope="row" className="py-1.5 pr-3 font-semibold break-words">
              {run.players.join(", ")}
              {run.remark && <span className="block font-normal text-soft">“{run.remark}”</span>}
            </th>
            <td className="py-1.5 pr-3 whitespace-nowrap">{ago(run.started_at)}</td>
            <td className="py-1.5 pr-3 tabular-nums">{shortly(run.dice)}</td>
            <td className="py-1.5 pr-3 tabular-nums">{run.result?.score}</td>
            <td className="py-1.5 pr-3">{run.result ? run.result.ending : <span className="text-soft">{run.now ? "being played" : "left"}</span>}</td>
            <td className="py-1.5 pr-3 tabular-nums">{run.result && minutes(run.result.length_ms)}</td>
            <td className="py-1.5 pr-3 tabular-nums">{run.revision}</td>
            <td className="py-1.5 text-right">
              <Link to={`/game/${gameId}?dice=${run.dice}&run=${run.id}`} className="whitespace-nowrap text-sky underline">
                Open its footprints
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
