import { api, done, given } from "./client";

/** The players' page lists this many runs. */
const SHOWN = 200;

/** The runs of a game by its players, the newest first. */
export function listPlayedRuns(gameId: string) {
  return given(api.GET("/api/games/{game_id}/runs", { params: { path: { game_id: gameId }, query: { most: SHOWN } } }));
}

/** The address of the players' page. */
export function showSharing(gameId: string) {
  return given(api.GET("/api/games/{game_id}/sharing", { params: { path: { game_id: gameId } } }));
}

/** Shows the maker's key; from then on the server knows this browser. */
export function showKey(key: string) {
  return done(api.POST("/api/key", { body: { key } }));
}
