import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, done, given } from "./client";
import type { Dice } from "./dice";
import type { Input, Intent, Language, PlayInput, TableInput } from "./schema";
import { keys } from "./keys";

/** What a player can do; the maker can also bring a question. */
export type Action = PlayInput["action"];
export type MakerAction = TableInput["action"];

export function startRun(gameId: string, dice: Dice | undefined, players: string[], inputs: Input[] = []) {
  return given(api.POST("/api/runs", { body: { game_id: gameId, dice: dice ?? null, players, inputs } }));
}

export function showRun(runId: string) {
  return given(api.GET("/api/runs/{run_id}", { params: { path: { run_id: runId } } }));
}

/** Sends the next input; `at` is the run's own time, in milliseconds. */
export function sendInput(runId: string, seen: number, action: MakerAction, at: number) {
  return given(
    api.POST("/api/runs/{run_id}/inputs", {
      params: { path: { run_id: runId } },
      body: { seen, action, at },
    }),
  );
}

/** Plays on for the player; null plays to the end. */
export function playOn(runId: string, seen: number, at: number, intent: Intent, questions: number | null) {
  return given(
    api.POST("/api/runs/{run_id}/outcomes", {
      params: { path: { run_id: runId } },
      body: { seen, at, intent, questions },
    }),
  );
}

/** What the rules did in one step of a run, line by line. */
export function useWatch(runId: string | undefined, step: number) {
  return useQuery({
    queryKey: keys.watch(runId, step),
    queryFn: () =>
      given(api.GET("/api/runs/{run_id}/watch/{step_number}", { params: { path: { run_id: runId ?? "", step_number: step } } })),
    enabled: runId !== undefined,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

export function showPlayGame(gameId: string) {
  return given(api.GET("/api/play/games/{game_id}", { params: { path: { game_id: gameId } } }));
}

export function startPlay(gameId: string, players: string[], key: string) {
  return given(
    api.POST("/api/play/games/{game_id}/runs", {
      params: { path: { game_id: gameId } },
      body: { players, key },
    }),
  );
}

export function showPlay(runId: string) {
  return given(api.GET("/api/play/runs/{run_id}", { params: { path: { run_id: runId } } }));
}

/** Sends the player's next input; `at` is the run's own time as the page has it. */
export function sendPlayInput(runId: string, seen: number, action: Action, at: number) {
  return given(
    api.POST("/api/play/runs/{run_id}/inputs", {
      params: { path: { run_id: runId } },
      body: { seen, action, at },
    }),
  );
}

/** Keeps what a player says of a run that has ended. */
export function sendRemark(runId: string, words: string) {
  return done(api.POST("/api/play/runs/{run_id}/remark", {
    params: { path: { run_id: runId } },
    body: { words },
  }));
}

/** The best scores of a game, and those of the browser with this key. */
export function showScores(gameId: string, key: string) {
  return given(api.GET("/api/play/games/{game_id}/scores", { params: { path: { game_id: gameId }, query: { key } } }));
}

/** What the server's voice reads out at a player's table; nothing if it has none. */
export function playVoice(runId: string): Promise<ArrayBuffer | undefined> {
  return soundOf(
    api.POST("/api/play/runs/{run_id}/voice", { params: { path: { run_id: runId } }, parseAs: "arrayBuffer" }),
  );
}

/** A text read out by the server's voice, for the maker; nothing if it has none. */
export function makersVoice(text: string, language: Language): Promise<ArrayBuffer | undefined> {
  return soundOf(api.POST("/api/sounds/voice", { body: { text, language }, parseAs: "arrayBuffer" }));
}

async function soundOf(call: Promise<{ data?: unknown }>): Promise<ArrayBuffer | undefined> {
  const { data } = await call.catch(() => ({ data: undefined }));
  return data instanceof ArrayBuffer ? data : undefined;
}
