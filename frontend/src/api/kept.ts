import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, done, given } from "./client";
import type { Seen } from "./schema";
import { keys } from "./keys";

const at = (gameId: string) => ({ game_id: gameId });
const one = (gameId: string, keptId: string) => ({ game_id: gameId, kept_id: keptId });

/** The kept runs of a game. */
export function useKept(gameId: string) {
  return useQuery({
    queryKey: keys.kept(gameId),
    queryFn: () => given(api.GET("/api/games/{game_id}/kept", { params: { path: at(gameId) } })),
  });
}

/** Which kept runs hold in a revision; they are played again in the background. */
export function useHeld(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.keptResults(gameId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/kept/held", { params: { path: at(gameId) } })),
    retry: false,
  });
}

/** A kept run as it was and as it is now. */
export function useCompared(gameId: string, keptId: string, revision: number) {
  return useQuery({
    queryKey: keys.keptComparison(gameId, keptId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/kept/{kept_id}", { params: { path: one(gameId, keptId) } })),
    retry: false,
  });
}

/** Has kept runs be asked for anew. */
export function useKeptAnew(gameId: string) {
  const queries = useQueryClient();
  return () =>
    Promise.all([keys.kept, keys.keptResults, keys.keptComparison].map((key) => queries.invalidateQueries({ queryKey: key(gameId) })));
}

/** Keeps a run up to a step. */
export function keepRun(gameId: string, runId: string, name: string, why: string, steps: number, minds: Seen[]) {
  return given(
    api.POST("/api/games/{game_id}/kept", {
      params: { path: at(gameId) },
      body: { run_id: runId, name, why, steps, minds },
    }),
  );
}

export function keepReady(gameId: string) {
  return given(api.POST("/api/games/{game_id}/kept/ready", { params: { path: at(gameId) } }));
}

export function changeKept(gameId: string, keptId: string, change: { name: string; why: string; minds: Seen[] }) {
  return given(
    api.PUT("/api/games/{game_id}/kept/{kept_id}", { params: { path: one(gameId, keptId) }, body: change }),
  );
}

export function acceptKept(gameId: string, keptId: string) {
  return given(api.POST("/api/games/{game_id}/kept/{kept_id}/accept", { params: { path: one(gameId, keptId) } }));
}

export function letGo(gameId: string, keptId: string) {
  return done(api.DELETE("/api/games/{game_id}/kept/{kept_id}", { params: { path: one(gameId, keptId) } }));
}
