import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, done, formOf, given } from "./client";
import type { LoadLook, LoadView, Target, ImportOptions } from "./schema";
import { keys } from "./keys";

/** A file waiting to be taken, as it was last looked at. */
export function useLoad(loadId: string) {
  return useQuery({
    queryKey: keys.loads(loadId),
    queryFn: () => given(api.GET("/api/loads/{load_id}", at(loadId))),
    staleTime: Infinity,
  });
}

/** Brings a file, or pasted text, to be looked at. */
export function useBring() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (brought: File | string) =>
      given(
        api.POST("/api/loads", {
          body: { text: "" },
          bodySerializer: () => formOf(typeof brought === "string" ? "text" : "file", brought),
        }),
      ),
    onSuccess: (load) => queries.setQueryData(keys.loads(load.id), load),
  });
}

/** Takes a file dropped on the shelf: a game makes a game, questions wait to be looked at. */
export function useDrop() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (file: File) =>
      given(api.POST("/api/dropped", { body: { file: "" }, bodySerializer: () => formOf("file", file) })),
    onSuccess: ({ game, load }) => {
      if (load) queries.setQueryData(keys.loads(load.id), load);
      return game && queries.invalidateQueries({ queryKey: keys.games(), exact: true });
    },
  });
}

type Change =
  | { look: Pick<LoadLook, "plan"> & Partial<LoadLook> }
  | { guess: ImportOptions };

/** Looks again, by a changed plan or by a new guess; the newest answer is what is shown. */
export function useLook(loadId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (change: Change): Promise<LoadView> =>
      "look" in change
        ? given(
            api.POST("/api/loads/{load_id}/look", {
              ...at(loadId),
              body: { mended: {}, target: NEW, ...change.look },
            }),
          )
        : given(api.POST("/api/loads/{load_id}/guess", { ...at(loadId), body: change.guess })),
    onSuccess: (load) => queries.setQueryData(keys.loads(loadId), load),
  });
}

/** Brings pictures and sounds that a waiting file names. */
export function useBringMedium(loadId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (files: File[]) =>
      given(
        api.POST("/api/loads/{load_id}/media", {
          ...at(loadId),
          body: { files: [] },
          bodySerializer: () => formOf("files", ...files),
        }),
      ),
    onSuccess: (load) => queries.setQueryData(keys.loads(loadId), load),
  });
}

export const NEW: Target = { into: "new", title: "", pack_id: "" };

export function takeLoad(loadId: string, target: Target) {
  return given(api.POST("/api/loads/{load_id}/take", { ...at(loadId), body: { target } }));
}

export function loadProgress(loadId: string) {
  return given(api.GET("/api/loads/{load_id}/progress", at(loadId)));
}

/** Gives a load up, as far as it is still there: nothing of it stays. */
export async function giveUpLoad(loadId: string) {
  await done(api.DELETE("/api/loads/{load_id}", at(loadId))).catch(() => undefined);
}

function at(loadId: string) {
  return { params: { path: { load_id: loadId } } };
}
