import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, done, formOf, given } from "./client";
import type { Dice } from "./dice";
import type { Game, Named, NewGame } from "./schema";
import { keys } from "./keys";

/** How often it is asked whether ways to end that are followed beside are known. */
const SETTLING_MS = 1000;

export function useGames() {
  return useQuery({ queryKey: keys.games(), queryFn: () => given(api.GET("/api/games")) });
}

/** Puts a whole shelf that was saved on this one, which is empty; gives what was left out. */
export function useRestore() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const call = api.POST("/api/backup", { body: { file: "" }, bodySerializer: () => formOf("file", file) });
      return (await answered(call)).data?.left_out ?? [];
    },
    onSuccess: () => queries.invalidateQueries(),
  });
}

/** What is worked out of a game for its card; asked for once the card is there. */
export function useGlance(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.glance(gameId, revision),
    queryFn: () => given(api.GET("/api/games/{game_id}/glance", { params: { path: { game_id: gameId } } })),
  });
}

export function useGame(gameId: string) {
  return useQuery({
    queryKey: keys.games(gameId),
    queryFn: () => showGame(gameId),
    staleTime: Infinity,
    refetchInterval: (query) => query.state.data?.is_settling && SETTLING_MS,
  });
}

/** A game as it now stands. */
export function showGame(gameId: string) {
  return given(api.GET("/api/games/{game_id}", { params: { path: { game_id: gameId } } }));
}

export function useMakeGame() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (game: NewGame) => given(api.POST("/api/games", { body: game })),
    onSuccess: (game) => {
      queries.setQueryData(keys.games(game.id), game);
      void queries.invalidateQueries({ queryKey: keys.games(), exact: true });
    },
  });
}

export function useRecipes() {
  return useQuery({ queryKey: keys.recipes(), queryFn: () => given(api.GET("/api/games/recipes")), staleTime: Infinity });
}

/** Every save of a game, the newest first. */
export function useRevisions(gameId: string, revision: number) {
  return useQuery({
    queryKey: keys.revisions(gameId, revision),
    queryFn: () => listRevisions(gameId),
  });
}

export function listRevisions(gameId: string) {
  return given(api.GET("/api/games/{game_id}/revisions", { params: { path: { game_id: gameId }, query: { most: 200 } } }));
}

export function showRevision(gameId: string, number: number) {
  return given(
    api.GET("/api/games/{game_id}/revisions/{number}", { params: { path: { game_id: gameId, number } } }),
  );
}

/** Copies a game, takes it off the shelf, or puts it back. */
export function useShelfMoves() {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: keys.games(), exact: true });
  const params = (gameId: string) => ({ params: { path: { game_id: gameId } } });
  return {
    copy: useMutation({
      mutationFn: (gameId: string) => given(api.POST("/api/games/{game_id}/copies", params(gameId))),
      onSuccess: again,
    }),
    remove: useMutation({
      mutationFn: (gameId: string) => done(api.DELETE("/api/games/{game_id}", params(gameId))),
      onSuccess: again,
    }),
    putBack: useMutation({
      mutationFn: (gameId: string) => given(api.POST("/api/games/{game_id}/return", params(gameId))),
      onSuccess: again,
    }),
  };
}

/** A document with a part called otherwise, and all that names it; nothing is saved by it. */
export function renamePart(document: Game, kind: Named, number: number, name: string) {
  return given(api.POST("/api/games/renamed", { body: { document, kind, number, name } }));
}

/** Keeps a document made on a revision. Only the game's draft calls it: it alone knows the newest. */
export function saveGame(gameId: string, revision: number, document: Game) {
  return given(
    api.PUT("/api/games/{game_id}", {
      params: { path: { game_id: gameId } },
      body: { revision, document },
    }),
  );
}

/** The questions these dice bring to a revision of a game. */
export function useDraw(gameId: string, revision: number, dice: Dice | undefined, round: number) {
  return useQuery({
    queryKey: keys.draw(gameId, revision, dice, round),
    queryFn: () =>
      given(
        api.GET("/api/games/{game_id}/draw", {
          params: { path: { game_id: gameId }, query: { dice: dice ?? 0, round } },
        }),
      ),
    enabled: dice !== undefined,
    placeholderData: (before) => before,
  });
}

/** How often the right answer stands at each place, over many rolls. */
export function usePlaces(gameId: string, revision: number, dice: Dice | undefined, round: number) {
  return useQuery({
    queryKey: keys.places(gameId, revision, dice, round),
    queryFn: () =>
      given(
        api.GET("/api/games/{game_id}/places", {
          params: { path: { game_id: gameId }, query: { dice: dice ?? 0, round } },
        }),
      ),
    enabled: dice !== undefined,
    placeholderData: (before) => before,
  });
}

/** Every name a rule script can use. */
export function useLanguage() {
  return useQuery({
    queryKey: keys.language(),
    queryFn: () => given(api.GET("/api/language")),
    staleTime: Infinity,
  });
}

/** Topics of help that some words lead to; all of them without any. */
export function useHelp(find: string) {
  return useQuery({
    queryKey: keys.help(find),
    queryFn: () => given(api.GET("/api/language/help", { params: { query: { find } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
}

/** The verdicts on some answers to the first question these dice bring. */
export function useTrial(gameId: string, revision: number, dice: Dice | undefined, round: number, answers: string[]) {
  return useQuery({
    queryKey: keys.trial(gameId, revision, dice, round, answers),
    queryFn: () =>
      given(
        api.POST("/api/games/{game_id}/trial", {
          params: { path: { game_id: gameId } },
          body: { dice: dice ?? 0, round, answers },
        }),
      ),
    enabled: dice !== undefined,
    placeholderData: (before) => before,
  });
}

/** Puts one rule script into another; nothing is saved by it. */
export function usePutIn() {
  return useMutation({
    mutationFn: (scripts: { script: string; other: string }) => given(api.POST("/api/language/put-in", { body: scripts })),
  });
}

/** The small examples of what each stop decides. */
export function useExamples() {
  return useQuery({
    queryKey: keys.examples(),
    queryFn: () => given(api.GET("/api/examples")),
    staleTime: Infinity,
  });
}

/** Puts an example into a document; nothing is saved by it. */
export function usePutExampleIn() {
  return useMutation({
    mutationFn: (wanted: { name: string; document: Game; round: number }) =>
      given(api.POST("/api/examples/put-in", { body: wanted })),
  });
}
