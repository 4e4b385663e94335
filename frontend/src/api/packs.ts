import { useQuery } from "@tanstack/react-query";
import { api, formOf, given } from "./client";
import type { PackEdit, Question } from "./schema";

export function usePacks() {
  return useQuery({ queryKey: ["packs"], queryFn: () => given(api.GET("/api/packs")) });
}

export function usePack(packId: string) {
  return useQuery({
    queryKey: ["packs", packId],
    queryFn: () =>
      given(api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId } } })),
  });
}

/** A pack with every question, to be edited. */
export function useWholePack(packId: string) {
  return useQuery({
    queryKey: ["whole pack", packId],
    queryFn: () =>
      given(
        api.GET("/api/packs/{pack_id}", {
          params: { path: { pack_id: packId }, query: { most: 1_000_000 } },
        }),
      ),
    staleTime: 0,
    gcTime: 0,
  });
}

export function editPack(packId: string, revision: number, edits: PackEdit[]) {
  return given(
    api.POST("/api/packs/{pack_id}/edits", {
      params: { path: { pack_id: packId } },
      body: { revision, edits },
    }),
  );
}

/** Keeps a picture or sound for a pack's questions to name. */
export function addMedium(packId: string, file: File) {
  return given(
    api.POST("/api/packs/{pack_id}/media", {
      params: { path: { pack_id: packId } },
      body: { files: [] },
      bodySerializer: () => formOf("files", file),
    }),
  );
}

/** A question as its player will see it. */
export function usePreview(packId: string, question: Question) {
  return useQuery({
    queryKey: ["preview", packId, question],
    queryFn: () =>
      given(
        api.POST("/api/packs/{pack_id}/preview", {
          params: { path: { pack_id: packId } },
          body: question,
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
}
