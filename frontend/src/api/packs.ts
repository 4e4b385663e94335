import { useQuery } from "@tanstack/react-query";
import { api, given } from "./client";
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

/** A question as its player will see it. */
export function usePreview(question: Question) {
  return useQuery({
    queryKey: ["preview", question],
    queryFn: () => given(api.POST("/api/packs/preview", { body: question })),
    placeholderData: (before) => before,
    retry: false,
  });
}
