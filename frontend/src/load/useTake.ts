import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { api, given } from "../api/client";
import { useMakeGame } from "../api/games";
import { firstPattern } from "../api/packs";
import { giveUpLoad, loadProgress, takeLoad } from "../api/loads";
import type { Game, LoadProgress, LoadView, Pattern, Target } from "../api/schema";
import { openDraft } from "../draft/useGameDraft";
import { keys } from "../api/keys";

const PAUSE_MS = 120;

export type Take = {
  progress: LoadProgress | undefined;
  error: unknown;
  isTaking: boolean;
  begin: (target: Target) => void;
  stop: () => void;
};

/** Takes a file into a pack, told how far it is, and opens the game that plays it. */
export function useTake(load: LoadView, gameId: string | null, round: number): Take {
  const [progress, setProgress] = useState<LoadProgress>();
  const [error, setError] = useState<unknown>();
  const [isTaking, setIsTaking] = useState(false);
  const makeGame = useMakeGame();
  const navigate = useNavigate();
  const queries = useQueryClient();
  /** Whoever has gone elsewhere meanwhile stays there. */
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  const goTo = (address: string) => {
    if (isHere.current) void navigate(address);
  };

  const open = async (packId: string, target: Target) => {
    await queries.invalidateQueries({ queryKey: keys.packs() });
    if (gameId) {
      const pattern = load.facts ? await firstPattern(packId) : undefined;
      const draft = await openDraft(gameId, queries);
      const into = draft.document.rounds[round] ? round : 0;
      draft.endStep();
      draft.edit((document) => withQuestions(document, into, packId, pattern));
      draft.endStep();
      // A save that fails is told at the workbench, where the game is.
      await draft.flush();
      goTo(`/game/${gameId}/load?round=${into + 1}`);
    } else if (target.into === "new") {
      const pack = await given(api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId } } }));
      const game = await makeGame.mutateAsync({ title: pack.title, packs: [packId], recipe: "" });
      goTo(`/game/${game.id}`);
    } else {
      goTo("/");
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
      void giveUpLoad(load.id).then(() => goTo(gameId ? `/game/${gameId}/load` : "/"));
    },
  };
}

/** A game whose round asks the questions of a pack besides, or those that a pattern makes of its facts. */
function withQuestions(document: Game, into: number, packId: string, pattern: Pattern | undefined): Game {
  const rounds = document.rounds.map((round, place) => {
    if (place !== into) return round;
    if (pattern) return { ...round, patterns: [...round.patterns, pattern] };
    return round.packs.includes(packId) ? round : { ...round, packs: [...round.packs, packId] };
  });
  return { ...document, rounds };
}
