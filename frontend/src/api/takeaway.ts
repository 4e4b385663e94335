import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, given } from "./client";
import { keys } from "./keys";

/** The game as the plain Python program it is, or why it does not fit one. */
export function usePython(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.python(gameId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/python", { params: { path: { game_id: gameId } } })),
    placeholderData: keepPreviousData,
  });
}

/** What each way a game leaves by weighs, in bytes. */
export function useWeights(gameId: string) {
  return useQuery({
    queryKey: keys.takeaways(gameId),
    queryFn: () => given(api.GET("/api/games/{game_id}/takeaways", { params: { path: { game_id: gameId } } })),
  });
}
