import { useMutation } from "@tanstack/react-query";
import { Archive, ClipboardPaste, Pencil, Plus } from "lucide-react";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { useGames, useMakeGame, useRecipes, useRestore, useShelfMoves } from "../api/games";
import { useDrop } from "../api/loads";
import { newPack, usePacks } from "../api/packs";
import { Page } from "../app/Page";
import { Button, buttonLook } from "../ui/Button";
import { Die } from "../ui/Die";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice, Notice } from "../ui/Notice";
import { useFileDrop } from "../ui/useFileDrop";
import { GameCard } from "./GameCard";
import { PackShelf } from "./PackShelf";

/** The maker's games and packs. A question file dropped here becomes a game. */
export default function Shelf() {
  const games = useGames();
  const packs = usePacks();
  const makeGame = useMakeGame();
  const drop = useDrop();
  const navigate = useNavigate();
  const open = (game: { id: string }) => void navigate(`/game/${game.id}`);
  const moves = useShelfMoves();
  const [gone, setGone] = useState<{ id: string; title: string }>();
  /** A second press, before the first game is there, makes no second one. */
  const isMaking = useRef(false);
  const make = (title: string, packIds: string[], recipe = "") => {
    if (isMaking.current) return;
    isMaking.current = true;
    makeGame.mutate({ title, packs: packIds, recipe }, { onSuccess: open, onSettled: () => (isMaking.current = false) });
  };
  const take = (file: File) =>
    drop.mutate(file, {
      onSuccess: ({ game, load }) => (game ? open(game) : load && void navigate(`/load/${load.id}`)),
    });
  const restore = useRestore();
  const write = useMutation({
    mutationFn: () => newPack("New questions"),
    onSuccess: ({ id }) => void navigate(`/pack/${id}`),
  });
  const isOver = useFileDrop(take);
  const failure = games.error ?? packs.error ?? makeGame.error ?? drop.error ?? moves.remove.error ?? moves.copy.error ?? restore.error ?? write.error;
  return (
    <Page title="Shelf">
      <header className="border-b border-line bg-card">
        <div className="mx-auto flex max-w-6xl flex-wrap items-center gap-3 px-6 py-3">
          <Die className="size-10" />
          <div>
            <h1 className="text-3xl">Dice Trail</h1>
            <p className="text-soft">Program a quiz game, and play it at every step of the making.</p>
          </div>
          <a href="/api/backup" download className={`${buttonLook("quiet")} ml-auto`}>
            <Archive aria-hidden /> Save the whole shelf
          </a>
        </div>
      </header>
      <main className={`mx-auto max-w-6xl px-6 py-6 ${isOver ? "outline-4 outline-dashed outline-clay" : ""}`}>
        <div className="flex flex-wrap items-end justify-between gap-4 pb-4">
          <h2 className="text-2xl">Games</h2>
          <div className="flex flex-wrap items-center gap-3">
            <FilePick label="New game from a question file" look="main" busy={drop.isPending} onFile={take} />
            <Link to="/load/new" className={buttonLook()}>
              <ClipboardPaste aria-hidden /> Paste questions
            </Link>
            <Button disabled={write.isPending} onClick={() => write.mutate()}>
              <Pencil aria-hidden /> New questions
            </Button>
            <NewGame onMake={(title, recipe) => make(title, [], recipe)} />
          </div>
        </div>
        <div className="mt-3 space-y-3">
          {failure && <ErrorNotice error={failure} />}
          {restore.data && restore.data.length > 0 && (
            <Notice>
              The shelf was restored. This of it could not be read, and was left out:
              <ul className="list-disc pl-6">
                {restore.data.map((told) => (
                  <li key={told}>{told}</li>
                ))}
              </ul>
            </Notice>
          )}
          {gone && (
            <Notice>
              <bdi>{gone.title}</bdi> is off the shelf.{" "}
              <Button
                className="ml-2"
                onClick={() => moves.putBack.mutate(gone.id, { onSuccess: () => setGone(undefined) })}
              >
                Put it back
              </Button>
            </Notice>
          )}
        </div>
        <ul className="mt-4 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
          {games.data?.map((game) => (
            <li key={game.id} className="flex">
              <GameCard
                game={game}
                onCopy={() => !moves.copy.isPending && moves.copy.mutate(game.id)}
                onRemove={() =>
                  moves.remove.mutate(game.id, {
                    onSuccess: () => setGone({ id: game.id, title: game.title || "The game" }),
                  })
                }
              />
            </li>
          ))}
        </ul>
        {games.data?.length === 0 && (
          <div className="mt-4 space-y-4 rounded-xl border-2 border-dashed border-edge p-8 text-center text-lg">
            <p>The shelf is empty. Drop a question file anywhere on this page, and it becomes a game you can play.</p>
            <p className="flex flex-wrap justify-center gap-3">
              <Button onClick={() => make("My first game", [], "ten sums")}>Or begin with ten sums, without a file</Button>
              <FilePick
                label="Restore a shelf that was saved"
                accept=".sqlite"
                busy={restore.isPending}
                onFile={(file) => restore.mutate(file)}
              />
            </p>
          </div>
        )}
        {packs.data && packs.data.length > 0 && <PackShelf packs={packs.data} onMake={make} />}
      </main>
    </Page>
  );
}

function NewGame({ onMake }: { onMake: (title: string, recipe: string) => void }) {
  const [title, setTitle] = useState("");
  const [recipe, setRecipe] = useState("");
  const recipes = useRecipes();
  const words = recipes.data?.find(({ name }, place) => (recipe ? name === recipe : place === 0))?.words;
  return (
    <form
      className="relative flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onMake(title.trim() || "Untitled game", recipe);
      }}
    >
      <input
        aria-label="Title of the new game"
        placeholder="Title"
        maxLength={200}
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        className="min-h-9 w-44 rounded-lg border border-edge bg-card px-3 placeholder:text-soft"
      />
      <select
        aria-label="Recipe of the new game"
        value={recipe}
        onChange={(event) => setRecipe(event.target.value)}
        className="min-h-9 max-w-44 rounded-lg border border-edge bg-card px-2"
      >
        {recipes.data?.map(({ name, words }) => (
          <option key={name} value={name} title={words}>
            {name}
          </option>
        ))}
      </select>
      <Button type="submit">
        <Plus aria-hidden /> New game
      </Button>
      <p aria-live="polite" className="absolute top-full right-0 mt-0.5 text-sm whitespace-nowrap text-soft">
        {words}
      </p>
    </form>
  );
}
