import { Plus } from "lucide-react";
import { useState } from "react";
import type { PlayGame } from "../api/schema";
import { Button } from "../ui/Button";
import { TextField } from "../ui/fields";

type NamesProps = { game: PlayGame; onStart: (players: string[]) => void };

/** Who plays, before the game is laid on the table. */
export function Names({ game, onStart }: NamesProps) {
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
          label={game.most_players > 1 ? `Name of player ${index + 1}` : "Your name"}
          value={name}
          maxLength={40}
          onChange={(typed) => setNames(names.with(index, typed))}
        />
      ))}
      <div className="flex flex-wrap justify-between gap-2">
        {names.length < game.most_players ? (
          <Button onClick={() => setNames([...names, ""])}>
            <Plus aria-hidden /> Another player
          </Button>
        ) : (
          <span />
        )}
        <Button type="submit" look="main">
          To the table
        </Button>
      </div>
    </form>
  );
}
