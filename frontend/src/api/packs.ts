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

const AT_ONCE = 5000;

/** A pack and its questions, so many at a time that nobody else waits for them. */
async function wholePack(packId: string) {
  const pack = await given(
    api.GET("/api/packs/{pack_id}", { params: { path: { pack_id: packId }, query: { most: AT_ONCE } } }),
  );
  const questions = [...pack.questions];
  const path = { pack_id: packId, number: pack.revision };
  while (questions.length < pack.question_count) {
    const query = { first: questions.length, most: AT_ONCE };
    questions.push(
      ...(await given(api.GET("/api/packs/{pack_id}/revisions/{number}/questions", { params: { path, query } }))),
    );
  }
  return { ...pack, questions };
}

/** A pack with every question, to be edited. */
export function useWholePack(packId: string) {
  return useQuery({
    queryKey: ["whole pack", packId],
    queryFn: () => wholePack(packId),
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
