import { useNavigate } from "react-router";
import { startRun } from "../api/runs";
import type { GameView, KeptCard, WitnessView } from "../api/schema";

/** Plays a run that is known by its inputs at the table, and opens its footprints. */
export function useOpened(game: GameView) {
  const navigate = useNavigate();
  return ({ dice, players, inputs }: Pick<WitnessView | KeptCard, "dice" | "players" | "inputs">) =>
    void startRun(game.id, dice, players, inputs).then((run) => navigate(`/game/${game.id}?dice=${run.dice}&run=${run.id}`));
}
