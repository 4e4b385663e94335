import { useNavigate, useSearchParams } from "react-router";
import { useMakeGame } from "../api/games";
import type { PackView } from "../api/schema";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";

/** The way on from a pack: back to the game it is written for, or to a new one. */
export function MakeGame({ pack, isReady }: { pack: PackView; isReady: boolean }) {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const make = useMakeGame();
  const gameId = search.get("game");
  if (gameId) {
    return <Button onClick={() => void navigate(`/game/${gameId}/load?round=${search.get("round") ?? "1"}`)}>Back to the game</Button>;
  }
  return (
    <>
      {make.error && <ErrorNotice error={make.error} />}
      <Button
        disabled={!isReady || make.isPending}
        onClick={() => make.mutate({ title: pack.title, packs: [pack.id], recipe: "" }, { onSuccess: ({ id }) => void navigate(`/game/${id}`) })}
      >
        Make a game of it
      </Button>
    </>
  );
}
