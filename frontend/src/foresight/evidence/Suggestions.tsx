import { useMutation } from "@tanstack/react-query";
import { Undo2 } from "lucide-react";
import { useState } from "react";
import { setSuggested, useEvidenceAnew } from "../../api/evidence";
import type { GameView, SuggestionView } from "../../api/schema";
import { Button } from "../../ui/Button";
import { ErrorNotice, Notice } from "../../ui/Notice";

/** What is suggested to change in a question, with what it is now and would be then. */
export function Suggestions({ game, suggestions }: { game: GameView; suggestions: SuggestionView[] }) {
  const anew = useEvidenceAnew(game.id);
  const [takeBack, setTakeBack] = useState<() => Promise<unknown>>();
  const set = useMutation({
    mutationFn: setSuggested,
    onSuccess: (undo) => {
      setTakeBack(() => undo);
      return anew();
    },
  });
  const undo = useMutation({
    mutationFn: () => takeBack?.() ?? Promise.resolve(),
    onSuccess: () => {
      setTakeBack(undefined);
      return anew();
    },
  });
  if (suggestions.length === 0 && !takeBack) return null;
  return (
    <div>
      <h3 className="mb-1 font-serif text-lg font-semibold">What could be changed</h3>
      <ul className="space-y-2">
        {suggestions.map((suggestion) => (
          <li key={suggestion.what} className="border-l-4 border-sun pl-3">
            <p>{suggestion.what}</p>
            <p className="flex flex-wrap items-center gap-2">
              <Preview suggestion={suggestion} />
              <Button disabled={set.isPending} onClick={() => set.mutate(suggestion)}>
                Set it
              </Button>
            </p>
          </li>
        ))}
      </ul>
      {takeBack && (
        <Notice tone="good">
          Set in the pack.{" "}
          <Button onClick={() => undo.mutate()} disabled={undo.isPending}>
            <Undo2 aria-hidden /> Take it back
          </Button>
        </Notice>
      )}
      {(set.error ?? undo.error) && <ErrorNotice error={set.error ?? undo.error} />}
    </div>
  );
}

function Preview({ suggestion: { sort, before, after } }: { suggestion: SuggestionView }) {
  const shown = {
    accept: [before.right.join(", "), after.right.join(", ")],
    level: [before.details.level ?? "none", after.details.level ?? "none"],
    seconds: [before.details.seconds ?? "as the round says", after.details.seconds ?? "as the round says"],
  }[sort];
  const names = { accept: "accepted", level: "level", seconds: "seconds" };
  return (
    <span className="min-w-0 break-words">
      {names[sort]}: {shown[0]} → <b>{shown[1]}</b>
    </span>
  );
}
