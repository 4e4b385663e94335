import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useGame } from "../api/games";
import type { GameView, Stop } from "../api/schema";
import { Page } from "../app/Page";
import { useShortcuts } from "../app/shortcuts";
import { ErrorNotice } from "../ui/Notice";
import { SaveFailure } from "../ui/SaveFailure";
import { Shortcuts } from "../ui/Shortcuts";
import { Bench } from "./benches/Bench";
import { Footprints } from "./footprints/Footprints";
import { Header } from "./Header";
import { TablePane } from "./TablePane";
import { TrailStrip } from "./trail/TrailStrip";
import { useDraft } from "./useDraft";
import { useTableRun } from "./useTableRun";

const KEYS: [string, string][] = [
  ["[ and ]", "go to the stop before and after"],
  ["A to H, 1 to 8", "answer at the table"],
  ["Enter", "move on at the table"],
  ["N", "roll new dice"],
  ["?", "show these keys"],
];

/** The workbench of one game. */
export default function Workbench() {
  const { gameId = "", stop } = useParams();
  const game = useGame(gameId);
  if (game.data) return <Opened key={gameId} game={game.data} chosenStop={stop} />;
  return (
    <Page title="Workbench">
      <main className="mx-auto max-w-xl space-y-4 p-8">
        <h1 className="text-3xl">Workbench</h1>
        {game.error ? <ErrorNotice error={game.error} /> : <p>Unrolling the game…</p>}
        <Link className="text-sky underline" to="/">
          Back to the shelf
        </Link>
      </main>
    </Page>
  );
}

function Opened({ game, chosenStop }: { game: GameView; chosenStop: string | undefined }) {
  const { document, edit, saving, retry, discard } = useDraft(game);
  const table = useTableRun(game.id, game.revision);
  const [isHelping, setIsHelping] = useState(false);
  const navigate = useNavigate();
  const stops = game.stops.map((summary) => summary.stop);
  const chosen: Stop = stops.find((stop) => stop === chosenStop) ?? "load";
  const go = (step: number) => {
    // Asked of the address, which is ahead of the screen when keys are pressed fast.
    const { pathname, search } = window.location;
    const here = Math.max(0, stops.findIndex((stop) => pathname.endsWith(`/${stop}`)));
    const next = stops[here + step];
    if (next) void navigate({ pathname: `/game/${game.id}/${next}`, search });
  };
  useShortcuts({
    "[": () => go(-1),
    "]": () => go(1),
    N: () => table.roll(),
    "?": () => setIsHelping(true),
  });
  return (
    <Page title={document.title || "A game without a title"}>
      <div className="flex h-full min-h-160 flex-col">
        <Header
          game={game}
          title={document.title}
          saving={saving}
          edit={edit}
          table={table}
          onShortcuts={() => setIsHelping(!isHelping)}
        />
        {saving.is === "failed" && (
          <SaveFailure error={saving.error} onRetry={() => void retry()} onDiscard={discard} />
        )}
        <TrailStrip game={game} chosen={chosen} runId={table.run?.id} footprints={table.footprints} />
        <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(0,27rem)] gap-4 px-4 pb-3">
          <Bench stop={chosen} game={game} document={document} edit={edit} table={table} />
          <TablePane table={table} />
        </main>
        <Footprints footprints={table.footprints} />
      </div>
      <Shortcuts keys={KEYS} isOpen={isHelping} onOpenChange={setIsHelping} />
    </Page>
  );
}
