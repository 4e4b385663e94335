import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, formOf, given } from "./client";
import type { Language, Look } from "./schema";
import { keys } from "./keys";

/** How a game was dressed when it was saved once: it never changes. */
export function useDress(gameId: string, revision: number | undefined) {
  return useQuery({
    queryKey: keys.dress(gameId, revision),
    queryFn: () =>
      given(api.GET("/api/play/games/{game_id}/dress/{revision}", { params: { path: { game_id: gameId, revision: revision ?? 1 } } })),
    enabled: revision !== undefined,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** How well a look can be read, and every colour made of its own. */
export function useLookSeen(look: Look) {
  return useQuery({
    queryKey: keys.lookPreview(look.colours),
    queryFn: () => given(api.POST("/api/looks/seen", { body: look })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** Keeps a picture; gives the digest by which a look or an ending names it. */
export function useBringPicture() {
  return useMutation({
    mutationFn: (file: File) =>
      given(api.POST("/api/pictures", { body: { file: "" }, bodySerializer: () => formOf("file", file) })),
  });
}

/** All that a game says by itself, as it is ready in a language. */
export function useReadyPhrases(language: Language) {
  return useQuery({
    queryKey: keys.phrases(language),
    queryFn: () => given(api.GET("/api/phrases/{language}", { params: { path: { language } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}
