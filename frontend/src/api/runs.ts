import { api, given } from "./client";
import type { NextInput } from "./schema";

export type Action = NextInput["action"];

export function startRun(gameId: string, dice: number | undefined) {
  return given(api.POST("/api/runs", { body: { game_id: gameId, dice: dice ?? null } }));
}

export function sendInput(runId: string, seen: number, action: Action) {
  return given(
    api.POST("/api/runs/{run_id}/inputs", {
      params: { path: { run_id: runId } },
      body: { seen, action },
    }),
  );
}

export function showPlayGame(gameId: string) {
  return given(api.GET("/api/play/games/{game_id}", { params: { path: { game_id: gameId } } }));
}

export function startPlay(gameId: string, player: string) {
  return given(
    api.POST("/api/play/games/{game_id}/runs", {
      params: { path: { game_id: gameId } },
      body: { player },
    }),
  );
}

export function showPlay(runId: string) {
  return given(api.GET("/api/play/runs/{run_id}", { params: { path: { run_id: runId } } }));
}

export function sendPlayInput(runId: string, seen: number, action: Action) {
  return given(
    api.POST("/api/play/runs/{run_id}/inputs", {
      params: { path: { run_id: runId } },
      body: { seen, action },
    }),
  );
}
