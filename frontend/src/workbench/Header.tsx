import { shortly } from "../api/dice";
import { Dices, ExternalLink, Keyboard, Package, Pencil, Redo2, RotateCcw, Signpost, Telescope, Undo2, Users } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useForeseen } from "../api/foresight";
import { useRevisions } from "../api/games";
import type { GameView } from "../api/schema";
import { counted } from "../app/format";
import { SAVED_WORDS, type Saving } from "../api/saving";
import { Button, buttonLook } from "../ui/Button";
import { Die } from "../ui/Die";
import { History } from "./History";
import { KeptCount } from "./KeptCount";
import { stopName, stopPath } from "../app/stops";
import type { Edit } from "../draft/gameDraft";
import type { TableRun } from "./state/useTableRun";
import { useWriteQuestions } from "./state/useWriteQuestions";

type HeaderProps = {
  game: GameView;
  title: string;
  saving: Saving;
  edit: Edit;
  table: TableRun;
  undo: (() => void) | undefined;
  redo: (() => void) | undefined;
  /** What the last press of undo or redo did, until the next edit. */
  turned: "undone" | "redone" | undefined;
  onShortcuts: () => void;
};

/** The game's name, whether it is saved, the dice, and what the survey found. */
export function Header({ game, title, saving, edit, table, undo, redo, turned, onShortcuts }: HeaderProps) {
  return (
    <header data-keeps-focus className="relative flex shrink-0 flex-wrap items-center gap-x-1.5 gap-y-1 xl:gap-x-3 border-b border-line bg-card px-4 py-1.5">
      <Link to="/" aria-label="Back to the shelf" className="rounded-md">
        <Die className="size-8" />
      </Link>
      <h1 className="sr-only">{title}</h1>
      <input
        aria-label="Title of the game"
        value={title}
        maxLength={200}
        onChange={(event) => edit((document) => ({ ...document, title: event.target.value }))}
        className="min-w-40 flex-1 rounded-md border border-transparent px-2 py-0.5 font-serif text-xl font-semibold xl:text-2xl text-ellipsis hover:border-edge"
      />
      <p role="status" className={saving.is === "failed" ? "font-semibold text-clay-dark" : `text-soft ${saving.is === "saved" ? "max-xl:sr-only" : ""}`}>
        {SAVED_WORDS[saving.is]}
      </p>
      <span className="flex">
        <Button look="quiet" className="px-2" aria-label="Undo" disabled={!undo} onClick={undo}>
          <Undo2 aria-hidden />
        </Button>
        <Button look="quiet" className="px-2" aria-label="Redo" disabled={!redo} onClick={redo}>
          <Redo2 aria-hidden />
        </Button>
        <History game={game} edit={edit} />
      </span>
      {turned && <Turned game={game} turned={turned} back={turned === "undone" ? redo : undo} />}
      {game.is_begun ? <SurveyCount game={game} /> : <FirstStep game={game} edit={edit} />}
      <KeptCount game={game} />
      <DiceField table={table} />
      {game.is_begun && (
        <Link to={`/foresight/${game.id}`} className={buttonLook()}>
          <Telescope aria-hidden /> <span className="max-xl:sr-only">Foresight</span>
        </Link>
      )}
      <Link to={`/players/${game.id}`} className={buttonLook()}>
        <Users aria-hidden /> <span className="max-xl:sr-only">Players</span>
      </Link>
      <Link to={`/take/${game.id}`} aria-label="Take away" title="Take away" className={`${buttonLook("quiet")} px-2`}>
        <Package aria-hidden />
      </Link>
      <Link to={`/play/${game.address}`} target="_blank" aria-label="Play page" title="Play page" className={`${buttonLook("quiet")} px-2`}>
        <ExternalLink aria-hidden />
      </Link>
      <Button look="quiet" aria-label="Shortcuts" className="px-2" onClick={onShortcuts}>
        <Keyboard aria-hidden />
      </Button>
    </header>
  );
}

type TurnedProps = { game: GameView; turned: "undone" | "redone"; back: (() => void) | undefined };

/** What was undone or redone, in words, and the way back from it. */
function Turned({ game, turned, back }: TurnedProps) {
  const revisions = useRevisions(game.id, game.revision);
  const changes = revisions.data?.find(({ number }) => number === game.revision)?.changes ?? [];
  const words = changes.slice(0, 2).join("; ");
  return (
    <p role="status" className="absolute top-13 left-1/2 z-10 flex max-w-120 -translate-x-1/2 items-center gap-2 rounded-lg border border-edge bg-card px-3 text-sm shadow">
      <span className="truncate" title={changes.join("; ")}>
        {turned === "undone" ? "Undone" : "Redone"}
        {words && `: ${words}`}
      </span>
      <Button look="quiet" className="px-2" disabled={!back} onClick={back}>
        Take that back
      </Button>
    </p>
  );
}

function DiceField({ table }: { table: TableRun }) {
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? (table.dice === undefined ? "" : shortly(table.dice));
  const isNumber = /^\d{1,9}$/.test(shown);
  const roll = (dice?: number) => {
    setTyped(undefined);
    table.roll(dice);
  };
  return (
    <form
      className="flex items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (isNumber) roll(Number(shown));
      }}
    >
      <label className="flex items-center gap-1.5 font-semibold">
        Dice
        <input
          value={shown}
          inputMode="numeric"
          maxLength={9}
          aria-invalid={typed !== undefined && !isNumber}
          autoComplete="off"
          onChange={(event) => setTyped(event.target.value)}
          title="The number all chance of a run comes from. Type one and press Enter to play that run."
          className="min-h-9 w-20 rounded-lg border border-edge bg-card px-2 text-right font-normal tabular-nums aria-invalid:border-2 aria-invalid:border-clay"
        />
      </label>
      <Button onClick={() => roll()}>
        <Dices aria-hidden /> <span className="max-xl:sr-only">Roll</span>
      </Button>
      <Button onClick={() => table.startOver()}>
        <RotateCcw aria-hidden /> <span className="max-2xl:sr-only">Start over</span>
      </Button>
    </form>
  );
}

/** The address's search, at a round if one is named. */
function searchTo(search: URLSearchParams, round: number | undefined): string {
  const next = new URLSearchParams(search);
  if (round !== undefined) next.set("round", String(round + 1));
  return next.toString();
}

/** What comes first in a game that has nothing to ask yet, in one press. */
function FirstStep({ game, edit }: { game: GameView; edit: Edit }) {
  const [search] = useSearchParams();
  const write = useWriteQuestions(game.id, game.document, Number(search.get("round") ?? 1) - 1, edit);
  return (
    <Button disabled={write.isPending} onClick={() => write.mutate()}>
      <Pencil aria-hidden /> First: write questions
    </Button>
  );
}

function SurveyCount({ game }: { game: GameView }) {
  const faults = game.problems.filter((problem) => problem.severity === "fault").length;
  const words = faults
    ? counted(faults, "fault")
    : game.problems.length
      ? counted(game.problems.length, "warning")
      : "No faults";
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look={faults ? "main" : "plain"}>
          <Signpost aria-hidden /> {words}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-10 max-h-96 w-104 max-w-[90vw] overflow-auto rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <h2 className="text-xl">Survey</h2>
          {game.problems.length === 0 && <p className="mt-2">Nothing is wrong with this game.</p>}
          <Problems gameId={game.id} problems={game.problems} />
          {faults === 0 && <Foreseen game={game} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What a forecast finds besides, worked out once the survey is opened. */
function Foreseen({ game }: { game: GameView }) {
  const found = useForeseen(game.id, game.revision);
  return (
    <>
      <h3 className="mt-4 text-lg">By the result for players</h3>
      {found.isFetching && <p role="status">All ready scouts are followed…</p>}
      {found.data?.length === 0 && <p>Nothing stands out.</p>}
      {found.data && <Problems gameId={game.id} problems={found.data} />}
    </>
  );
}

function Problems({ gameId, problems }: { gameId: string; problems: GameView["problems"] }) {
  const [search] = useSearchParams();
  return (
    <ul className="mt-2 space-y-3">
      {problems.map((problem) => (
        <li key={problem.where + problem.what} className="border-l-4 border-sun pl-3">
          <p className="font-semibold">
            {problem.severity === "fault" ? "Fault" : "Warning"}: {problem.what}
          </p>
          <p>To mend it, {problem.mend}.</p>
          <Popover.Close asChild>
            <Link
              className="text-sky underline"
              to={{ pathname: `/game/${gameId}/${stopPath(problem.stop)}`, search: searchTo(search, problem.round ?? undefined) }}
            >
              Go to {stopName(problem.stop)}
            </Link>
          </Popover.Close>
        </li>
      ))}
    </ul>
  );
}
