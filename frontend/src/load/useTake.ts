import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, given } from "../api/client";
import { useMakeGame, saveGame } from "../api/games";
import { firstPattern } from "../api/packs";
import { giveUpLoad, loadProgress, takeLoad } from "../api/loads";
import type { LoadProgress, LoadView, Target } from "../api/schema";

const PAUSE_MS = 120;

export type Take = {
  progress: LoadProgress | undefined;
  error: unknown;
  isTaking: boolean;
  begin: (target: Target) => void;
  stop: () => void;
};

/** Takes a file into a pack, told how far it is, and opens the game that plays it. */
export function useTake(load: LoadView, gameId: string | null): Take {
  const [progress, setProgress] = useState<LoadProgress>();
  const [error, setError] = useState<unknown>();
  const [isTaking, setIsTaking] = useState(false);
  const makeGame = useMakeGame();
  const navigate = useNavigate();
  const queries = useQueryClient();

  const open = async (packId: string, target: Target) => {
    await queries.invalidateQueries({ queryKey: ["packs"] });
    if (gameId) {
      const path = { params: { path: { game_id: gameId } } };
      const game = await given(api.GET("/api/games/{game_id}", path));
      const pattern = load.facts ? await firstPattern(packId) : undefined;
      const rounds = game.document.rounds.map((round, index) => {
        if (index > 0) return round;
        if (pattern) return { ...round, patterns: [...round.patterns, pattern] };
        return round.packs.includes(packId) ? round : { ...round, packs: [...round.packs, packId] };
      });
      await saveGame(gameId, game.revision, { ...game.document, rounds });
      await queries.invalidateQueries({ queryKey: ["games"] });
      void navigate(`/game/${gameId}/load`);
    } else if (target.into === "new") {
      const pack = await given(api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId } } }));
      const game = await makeGame.mutateAsync({ title: pack.title, packs: [packId], recipe: "" });
      void navigate(`/game/${game.id}`);
    } else {
      void navigate("/");
    }
  };

  const take = async (target: Target) => {
    setIsTaking(true);
    setError(undefined);
    try {
      let now = await takeLoad(load.id, target);
      while (now.stage === "reading" || now.stage === "writing") {
        setProgress(now);
        await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
        now = await loadProgress(load.id);
      }
      setProgress(now);
      if (now.pack_id) {
        await open(now.pack_id, target);
        void giveUpLoad(load.id);
      }
    } catch (failure) {
      setError(failure);
    } finally {
      setIsTaking(false);
    }
  };

  return {
    progress,
    error,
    isTaking,
    begin: (target) => void take(target),
    stop: () => {
      void giveUpLoad(load.id).then(() => navigate(gameId ? `/game/${gameId}/load` : "/"));
    },
  };
}
