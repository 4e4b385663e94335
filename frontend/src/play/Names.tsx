import { Plus } from "lucide-react";
import { useState } from "react";
import type { PlayGame } from "../api/schema";
import { useSay } from "../table/wording";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";

type NamesProps = { game: PlayGame; onStart: (players: string[]) => void };

/** Who plays, before the game is laid on the table. */
export function Names({ game, onStart }: NamesProps) {
  const say = useSay();
  const [names, setNames] = useState([""]);
  return (
    <form
      className="m-auto w-full max-w-sm space-y-3 py-6"
      onSubmit={(event) => {
        event.preventDefault();
        onStart(names);
      }}
    >
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
        <Button type="submit" look="main">
          {say("to the table")}
        </Button>
      </div>
    </form>
  );
}
