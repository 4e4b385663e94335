import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, given } from "./client";

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

/** Loads a question file into a new pack. */
export function useLoadPack() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (file: File) =>
      given(
        api.POST("/api/packs", {
          body: { file: "" },
          bodySerializer: () => {
            const form = new FormData();
            form.append("file", file);
            return form;
          },
        }),
      ),
    onSuccess: (pack) => {
      queries.setQueryData(["packs", pack.id], pack);
      void queries.invalidateQueries({ queryKey: ["packs"], exact: true });
    },
  });
}
