import { useMemo, useState } from "react";
import { Link, Navigate, useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { useGame } from "../api/games";
import type { GameView, Stop } from "../api/schema";
import { Guarded } from "../app/Guarded";
import { ChangedElsewhere } from "../draft/ChangedElsewhere";
import { renaming } from "../draft/useRename";
import { useGameDraft } from "../draft/useGameDraft";
import { Page } from "../app/Page";
import { useCommands, useShortcuts } from "../app/shortcuts";
import { useKeptFocus } from "../app/useKeptFocus";
import { useRemembered } from "../app/useRemembered";
import { isTypingAsked } from "../table/typed";
import { ErrorNotice } from "../ui/Notice";
import { Panes } from "../ui/Panes";
import { SaveFailure } from "../ui/SaveFailure";
import { Shortcuts } from "../ui/Shortcuts";
import { AsPython } from "./AsPython";
import { Bench } from "./Bench";
import { Footprints } from "./footprints/Footprints";
import { TimeBar } from "./footprints/TimeBar";
import { Header } from "./Header";
import { TablePane } from "./TablePane";
import { RoundSwitch } from "./RoundSwitch";
import { stopPath } from "../app/stops";
import { TrailStrip } from "./trail/TrailStrip";
import { useToken } from "./trail/useToken";
import { useTableRun } from "./state/useTableRun";

const KEYS: [string, string][] = [
  ["A to L, 1 to 9", "answer at the table"],
  ["Enter", "move on at the table"],
  ["[ and ]", "go to the stop before and after"],
  ["?", "show these keys"],
  ["Alt with G, B, O", "answer right, wrong, too late for the player"],
  ["Alt with H", "answer partly right for the player, where that can be"],
  ["Alt with P", "hold the clock, or let it run"],
  ["Alt with , and .", "a step back and forth in the run"],
  ["Alt with N", "roll new dice"],
  ["Alt with F", "unfold the footprints, or fold them"],
  ["Alt with U and R", "undo and redo"],
  ["Alt with Y", "the bench, or the game as Python"],
  ["on the table's bar", "all of these without Alt"],
];

/** The least a pane can be dragged to, in pixels. */
const LEAST_WORK = 220;
const LEAST_BENCH = 380;
const LEAST_TABLE = 320;
const LEAST_FOOTPRINTS = 90;

/** The workbench of one game. */
export default function Workbench() {
  const { gameId = "", stop } = useParams();
  const game = useGame(gameId);
  const { search } = useLocation();
  if (game.data && game.data.id !== gameId) {
    return <Navigate replace to={`/game/${game.data.id}${stop ? `/${stop}` : ""}${search}`} />;
  }
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
  const { draft, document, saving, elsewhere, canUndo, canRedo, turned } = useGameDraft(game);
  const { edit } = draft;
  const rename = useMemo(() => renaming(draft), [draft]);
  const undo = canUndo ? draft.undo : undefined;
  const redo = canRedo ? draft.redo : undefined;
  const table = useTableRun(game.id, game.revision);
  const [isHelping, setIsHelping] = useState(false);
  const [isLarge, setIsLarge] = useState(false);
  const [isPython, setIsPython] = useRemembered(`the game ${game.id} is read as Python`, false);
  const [isUnfolded, setIsUnfolded] = useRemembered("footprints are unfolded", false);
  useKeptFocus("bench");
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const wantedRound = Number(search.get("round") ?? 1) - 1;
  const round = document.rounds[wantedRound] ? wantedRound : 0;
  const stops = (game.stops[0] ?? []).map((summary) => summary.stop);
  const chosen: Stop = stops.find((stop) => stopPath(stop) === chosenStop) ?? "load";
  const footprints = table.steps.slice(0, table.shown + 1).flatMap((step) => step.footprints);
  const token = useToken(table.runId, footprints, stops);
  const go = (step: number) => {
    // Asked of the address, which is ahead of the screen when keys are pressed fast.
    const { pathname, search } = window.location;
    const here = Math.max(0, stops.findIndex((stop) => pathname.endsWith(`/${stopPath(stop)}`)));
    const next = stops[here + step];
    if (next) void navigate({ pathname: `/game/${game.id}/${stopPath(next)}`, search });
  };
  const ways = { "[": () => go(-1), "]": () => go(1), "?": () => setIsHelping(true) };
  const laid = table.steps.at(-1)?.table;
  useShortcuts(laid && table.isAtEnd && isTypingAsked(laid) ? {} : ways);
  useCommands({ ...ways, N: () => table.roll(), U: undo, R: redo, Y: () => setIsPython(!isPython) });
  const bench = isPython ? (
    <Guarded name="the game as Python" resetKeys={[game.revision]}>
      <AsPython game={game} chosen={chosen} at={token.at} onClose={() => setIsPython(false)} />
    </Guarded>
  ) : (
    <Guarded name="this bench" resetKeys={[chosen, round, document]}>
      <Bench stop={chosen} game={game} document={document} number={round} edit={edit} rename={rename} table={table} onPython={() => setIsPython(true)} />
    </Guarded>
  );
  const play = (
    <Guarded name="the table" resetKeys={[table.runId, table.shown]}>
      <TablePane table={table} isBegun={game.is_begun} mostPlayers={document.opening.most_players} isLarge={isLarge} onLarge={() => setIsLarge(!isLarge)} />
    </Guarded>
  );
  const work = {
    id: "work",
    size: "70%",
    least: LEAST_WORK,
    children: (
      <main className="flex min-h-0 min-w-0 px-4 pb-2">
        <Panes
          key={String(isLarge)}
          name={isLarge ? "large table" : "bench and table"}
          handle="Width of the bench"
          panes={[
            ...(isLarge ? [] : [{ id: "bench", size: "65%", least: LEAST_BENCH, children: bench }]),
            { id: "table", size: "35%", least: LEAST_TABLE, children: play },
          ]}
        />
      </main>
    ),
  };
  const footprintsPane = {
    id: "footprints",
    size: "30%",
    least: LEAST_FOOTPRINTS,
    children: (
      <Guarded name="the footprints" resetKeys={[table.runId, table.shown]}>
        <Footprints table={table} />
      </Guarded>
    ),
  };
  return (
    <Page title={document.title || "A game without a title"}>
      <div className="flex h-full min-h-120 flex-col">
        <Header
          game={game}
          title={document.title}
          saving={saving}
          edit={edit}
          table={table}
          undo={undo}
          redo={redo}
          turned={turned}
          onShortcuts={() => setIsHelping(!isHelping)}
        />
        {saving.is === "failed" && <SaveFailure error={saving.error} onRetry={() => void draft.flush()} />}
        {elsewhere && <ChangedElsewhere draft={draft} elsewhere={elsewhere} />}
        <div className="flex shrink-0">
          {document.rounds.length > 1 && <RoundSwitch rounds={document.rounds} chosen={round} />}
          <TrailStrip game={game} round={round} chosen={chosen} runId={table.runId} token={token} />
        </div>
        <Panes
          name="workbench"
          isStacked
          handle="Height of the footprints"
          panes={isUnfolded ? [work, footprintsPane] : [work]}
        />
        <Guarded name="the run's time" resetKeys={[table.runId, table.shown]}>
          <TimeBar gameId={game.id} table={table} isOpen={isUnfolded} onOpen={setIsUnfolded} />
        </Guarded>
      </div>
      <Shortcuts keys={KEYS} isOpen={isHelping} onOpenChange={setIsHelping} />
    </Page>
  );
}
