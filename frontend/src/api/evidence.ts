import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, formOf, given } from "./client";
import type { EvidenceCount, Scout, SuggestionView } from "./schema";
import { editPack } from "./packs";
import { keys } from "./keys";

/** Which runs of a game are looked at; what is left empty chooses all. */
export type Choice = { revision?: number; since?: string; before?: string; player?: string };

const at = (gameId: string) => ({ game_id: gameId });

/** What the runs chosen say. */
export function useEvidence(gameId: string, revision: number, choice: Choice) {
  return useQuery({
    queryKey: keys.evidence(gameId, revision, choice),
    queryFn: () => given(api.GET("/api/games/{game_id}/evidence", { params: { path: at(gameId), query: choice } })),
    placeholderData: keepPreviousData,
  });
}

/** Has all that was taken from evidence be asked for anew. */
export function useEvidenceAnew(gameId: string) {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      ...[keys.evidence, keys.countedRuns, keys.calibration, keys.fittedScout, keys.playedRuns, keys.scores].map((key) =>
        queries.invalidateQueries({ queryKey: key(gameId) }),
      ),
      queries.invalidateQueries({ queryKey: keys.games() }),
    ]);
}

/** A number of a question: which question of the evidence, and what is counted of it. */
export type Counted = { question: number; of: EvidenceCount; given?: string };

/** The runs behind a number. */
export function useBehind(gameId: string, choice: Choice, counted: Counted) {
  return useQuery({
    queryKey: keys.countedRuns(gameId, choice, counted),
    queryFn: () =>
      given(api.GET("/api/games/{game_id}/evidence/runs", { params: { path: at(gameId), query: { ...choice, ...counted } } })),
  });
}

/** What runs came to: an ending by its title, a score, or how many questions they were left after. */
export type Come = { ending: string } | { score: number } | { left_after: number };

/** The runs that came to it. */
export function useCome(gameId: string, choice: Choice, come: Come) {
  return useQuery({
    queryKey: keys.countedRuns(gameId, choice, come),
    queryFn: () =>
      given(api.GET("/api/games/{game_id}/evidence/endings", { params: { path: at(gameId), query: { ...choice, ...come } } })),
  });
}

/** A forecast laid over what came; of players like those who played, if no scouts are named. */
export function useCalibration(gameId: string, revision: number, choice: Choice, scouts: Scout[]) {
  return useQuery({
    queryKey: keys.calibration(gameId, revision, choice, scouts),
    queryFn: () =>
      given(
        api.POST("/api/games/{game_id}/evidence/calibration", {
          params: { path: at(gameId), query: choice },
          body: { scouts },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

/** A scout that does as those who played did. */
export function useLikeness(gameId: string) {
  return useQuery({
    queryKey: keys.fittedScout(gameId),
    queryFn: () => given(api.GET("/api/games/{game_id}/evidence/scout", { params: { path: at(gameId) } })),
    retry: false,
  });
}

/** Where the answers of the runs chosen are saved from. */
export function answersAt(gameId: string, choice: Choice, file: "answers.csv" | "answers.jsonl" | "statements.json", names: boolean): string {
  const query = new URLSearchParams({ names: String(names) });
  for (const [name, value] of Object.entries(choice)) query.set(name, String(value));
  return `/api/games/${gameId}/evidence/${file}?${query.toString()}`;
}

export function bringAnswers(gameId: string, file: File) {
  return given(
    api.POST("/api/games/{game_id}/evidence/answers", {
      params: { path: at(gameId) },
      body: { file: "" },
      bodySerializer: () => formOf("file", file),
    }),
  );
}

export function deleteRuns(gameId: string, choice: Choice) {
  return given(api.DELETE("/api/games/{game_id}/evidence/runs", { params: { path: at(gameId), query: choice } }));
}

/** Beside whatever else was changed in the pack meanwhile. */
const BESIDE = { isAgain: false, unseen: [] };

/** Changes a question as is suggested; gives back what takes the change back. */
export async function setSuggested({ pack, pack_revision, row, before, after }: SuggestionView) {
  const saved = await editPack(pack, pack_revision, [{ row, remove: 1, insert: [after] }], BESIDE);
  return () => editPack(pack, saved.revision, [{ row, remove: 1, insert: [before] }], BESIDE);
}
