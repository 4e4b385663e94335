import { useEffect } from "react";
import { useQuery } from "@tanstack/react-query";
import { api, ApiError, done, given } from "./client";
import type { ForecastWanted, Game, NewStudy, Scout } from "./schema";
import { keys } from "./keys";

const at = (gameId: string) => ({ path: { game_id: gameId } });

/** What will happen to scouts who play a revision of a game together; a quick one leaves out
 * what takes longer. What was known before stays on screen until then. */
export function useForecast(gameId: string, revision: number | undefined, scouts: Scout[], isQuick = false, isWanted = true) {
  return useQuery({
    queryKey: keys.forecast(gameId, revision, scouts, isQuick),
    queryFn: () => given(api.POST("/api/games/{game_id}/foresight/forecast", { params: at(gameId), body: wanted(scouts, revision, isQuick) })),
    placeholderData: (before) => before,
    enabled: isWanted && revision !== undefined,
    retry: false,
    staleTime: Infinity,
  });
}

/** What will happen to scouts in a document as it is being edited, in short; what was known
 * before stays on screen until then. */
export function useDraftForecast(gameId: string, document: Game, scouts: Scout[]) {
  return useQuery({
    queryKey: keys.draftForecast(gameId, document, scouts),
    queryFn: () =>
      given(
        api.POST("/api/games/{game_id}/foresight/forecast", {
          params: at(gameId),
          body: { scouts, document, revision: null, is_quick: true },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
    staleTime: Infinity,
    gcTime: DRAFTS_KEPT_MS,
  });
}

const DRAFTS_KEPT_MS = 60_000;

function wanted(scouts: Scout[], revision: number | undefined, is_quick: boolean): ForecastWanted {
  return { scouts, revision: revision ?? null, is_quick, document: null };
}

/** The same numbers as a table, to be saved. */
export async function forecastTable(gameId: string, revision: number, scouts: Scout[]): Promise<string> {
  const told = await api.POST("/api/games/{game_id}/foresight/forecast.csv", {
    params: at(gameId),
    body: wanted(scouts, revision, false),
    parseAs: "text",
  });
  if (told.error) throw new ApiError(told.error);
  return told.data;
}

export function useKnobs(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.knobs(gameId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/foresight/knobs", { params: at(gameId) })),
    placeholderData: (before) => before,
  });
}

/** What a forecast finds wrong with a game. */
export function useForeseen(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.forecastWarnings(gameId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/foresight/problems", { params: at(gameId) })),
    retry: false,
    staleTime: Infinity,
  });
}

/** Runs to every ending and score; looked for once they are wanted. */
export function useWitnesses(gameId: string, revision: number, isWanted: boolean) {
  return useQuery({
    queryKey: keys.witnesses(gameId, revision),
    queryFn: () => given(api.POST("/api/games/{game_id}/foresight/witnesses", { params: at(gameId) })),
    enabled: isWanted,
    retry: false,
    staleTime: Infinity,
  });
}

/** How many answers come in each part of the time. */
export function useTimes(medianMs: number, spread: number) {
  return useQuery({
    queryKey: keys.times(medianMs, spread),
    queryFn: () => given(api.GET("/api/scouts/times", { params: { query: { median_ms: medianMs, spread } } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
  });
}

export function turnKnob(gameId: string, key: string, value: number) {
  return given(api.POST("/api/games/{game_id}/foresight/set", { params: at(gameId), body: { key, value } }));
}

export function beginStudy(gameId: string, study: NewStudy) {
  return given(api.POST("/api/games/{game_id}/foresight/studies", { params: at(gameId), body: study }));
}

const LOOKS_EVERY_MS = 250;

/** How far a study is, asked for until it is over. */
export function useStudy(gameId: string, studyId: string | undefined, ending: number, share: number) {
  return useQuery({
    queryKey: keys.study(gameId, studyId, ending, share),
    queryFn: () =>
      given(
        api.GET("/api/games/{game_id}/foresight/studies/{study_id}", {
          params: { path: { game_id: gameId, study_id: studyId ?? "" }, query: { ending, share } },
        }),
      ),
    enabled: studyId !== undefined,
    placeholderData: (before) => before,
    refetchInterval: (query) => (query.state.data?.is_over ? false : LOOKS_EVERY_MS),
    retry: false,
  });
}

export function giveStudyUp(gameId: string, studyId: string) {
  return done(api.DELETE("/api/games/{game_id}/foresight/studies/{study_id}", {
    params: { path: { game_id: gameId, study_id: studyId } },
    keepalive: true, // it is sent even as the page goes
  }));
}

/** Has a study be once whoever looks at it goes elsewhere. */
export function useGivenUpOnLeaving(gameId: string, studyId: string | undefined) {
  useEffect(() => {
    if (studyId === undefined) return;
    const end = () => void giveStudyUp(gameId, studyId).catch(() => undefined);
    addEventListener("pagehide", end);
    return () => {
      removeEventListener("pagehide", end);
      end();
    };
  }, [gameId, studyId]);
}
