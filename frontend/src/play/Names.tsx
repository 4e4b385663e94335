import { Plus } from "lucide-react";
import { useState } from "react";
import { mediaAt } from "../api/home";
import type { PlayGame } from "../api/schema";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";

type NamesProps = {
  game: PlayGame;
  picture: string;
  onStart: (players: string[]) => void;
  /** Goes back to the run there is. */
  onBack: (() => void) | undefined;
};

const KEPT = "dice trail names";

/** The names given the last time on this device. */
function namesKept(): string[] {
  const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? "null");
  const names = Array.isArray(kept) ? kept.filter((name) => typeof name === "string") : [];
  return names.length > 0 ? names : [""];
}

/** Who plays, before the game is laid on the table. */
export function Names({ game, picture, onStart, onBack }: NamesProps) {
  const say = useSay();
  const [names, setNames] = useState(() => namesKept().slice(0, game.most_players));
  return (
    <form
      className="m-auto w-full max-w-sm space-y-3 py-6"
      onSubmit={(event) => {
        event.preventDefault();
        localStorage.setItem(KEPT, JSON.stringify(names));
        onStart(names);
      }}
    >
      {picture && <img src={mediaAt(picture)} alt="" className="mx-auto max-h-64 max-w-full rounded-lg object-contain" />}
      <h2 className="text-center text-4xl text-balance">{game.title}</h2>
      {names.map((name, index) => (
        // Players have no identity but their place.
        <TextField
          key={index}
          label={game.most_players > 1 ? say("name of player", { number: index + 1 }) : say("your name")}
          value={name}
          maxLength={40}
          onChange={(typed) => setNames(names.with(index, typed))}
        />
      ))}
      <div className="flex flex-wrap justify-between gap-2">
        {names.length < game.most_players ? (
          <Button onClick={() => setNames([...names, ""])}>
            <Plus aria-hidden /> {say("another player")}
          </Button>
        ) : (
          <span />
        )}
        {onBack && <Button onClick={onBack}>{say("go on")}</Button>}
        <Button type="submit" look="main">
          {say("to the table")}
        </Button>
      </div>
    </form>
  );
}
