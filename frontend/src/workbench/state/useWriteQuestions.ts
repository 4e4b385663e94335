import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { newPack } from "../../api/packs";
import type { Game } from "../../api/schema";
import type { Edit } from "../../draft/gameDraft";
import { keys } from "../../api/keys";

/** Begins a pack of questions in a round of a game, and opens its grid to write them. */
export function useWriteQuestions(gameId: string, document: Game, round: number, edit: Edit) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: () => newPack(`Questions for ${document.title || "a game"}`),
    onSuccess: async (pack) => {
      await queries.invalidateQueries({ queryKey: keys.packs() });
      edit((old) => ({
        ...old,
        rounds: old.rounds.map((one, place) => (place === round ? { ...one, packs: [...one.packs, pack.id] } : one)),
      }));
      void navigate(`/pack/${pack.id}?game=${gameId}&round=${round + 1}`);
    },
  });
}
