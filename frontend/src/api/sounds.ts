import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, formOf, given } from "./client";
import type { Sound } from "./schema";
import { keys } from "./keys";

/** The sounds that are there for every game. */
export function useShippedSounds() {
  return useQuery({ queryKey: keys.sounds(), queryFn: () => given(api.GET("/api/sounds")), staleTime: Infinity });
}

/** A sound made of its notes: its form to draw, and as a WAV file. */
export function useMadeSound(sound: Sound) {
  return useQuery({
    queryKey: keys.sounds(sound),
    queryFn: () => given(api.POST("/api/sounds/made", { body: sound })),
    staleTime: Infinity,
    retry: false,
    placeholderData: keepPreviousData,
    enabled: !sound.file,
  });
}

/** Keeps a sound file; gives the digest by which a game's sound names it. */
export function useBringSound() {
  return useMutation({
    mutationFn: (file: File) =>
      given(
        api.POST("/api/sounds", {
          body: { file: "" },
          bodySerializer: () => formOf("file", file),
        }),
      ),
  });
}
