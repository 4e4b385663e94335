/** A cache key: a name, and what the answer depends on. Fewer parts mean every answer that begins with these. */
const key =
  <Parts extends unknown[]>(name: string) =>
  (...parts: Partial<Parts>) => [name, ...parts] as const;

/** The keys under which answers of the API are cached. */
export const keys = {
  // Games
  games: key<[gameId: string]>("games"),
  glance: key<[gameId: string, revision: number]>("glance"),
  revisions: key<[gameId: string, revision: number]>("revisions"),
  draw: key<[gameId: string, revision: number, dice: unknown, round: number]>("draw"),
  places: key<[gameId: string, revision: number, dice: unknown, round: number]>("places"),
  trial: key<[gameId: string, revision: number, dice: unknown, round: number, answers: string[]]>("trial"),
  recipes: key("recipes"),
  examples: key("examples"),
  language: key("language"),
  help: key<[find: string]>("help"),
  // Packs and loads
  packs: key<[packId: string]>("packs"),
  wholePack: key<[packId: string]>("whole pack"),
  picture: key<[packId: string, question: unknown]>("picture"),
  preview: key<[packId: string, question: unknown]>("preview"),
  pattern: key<[pattern: unknown, dice: unknown, revision: unknown]>("pattern"),
  loads: key<[loadId: string]>("loads"),
  // Looks, words and sounds
  dress: key<[gameId: string, revision: number]>("dress"),
  lookPreview: key<[colours: unknown]>("look preview"),
  phrases: key<[language: string]>("phrases"),
  sounds: key<[sound: unknown]>("sounds"),
  // Runs
  play: key<[gameId: string]>("play"),
  watchedRun: key<[runId: unknown]>("watched run"),
  watch: key<[runId: unknown, step: unknown]>("watch"),
  kept: key<[gameId: string]>("kept"),
  keptResults: key<[gameId: string, revision: number]>("kept results"),
  keptComparison: key<[gameId: string, keptId: unknown, revision: number]>("kept comparison"),
  // Players and evidence
  sharing: key<[gameId: string]>("sharing"),
  playedRuns: key<[gameId: string]>("played runs"),
  scores: key<[gameId: string, runId: unknown]>("scores"),
  evidence: key<[gameId: string, revision: number, choice: unknown]>("evidence"),
  countedRuns: key<[gameId: string, choice: unknown, counted: unknown]>("counted runs"),
  calibration: key<[gameId: string, revision: number, choice: unknown, scouts: unknown]>("calibration"),
  fittedScout: key<[gameId: string]>("fitted scout"),
  // Foresight
  forecast: key<[gameId: string, revision: number, scouts: unknown, isQuick: boolean]>("forecast"),
  draftForecast: key<[gameId: string, document: unknown, scouts: unknown]>("draft forecast"),
  forecastWarnings: key<[gameId: string, revision: number]>("forecast warnings"),
  witnesses: key<[gameId: string, revision: number]>("witnesses"),
  knobs: key<[gameId: string, revision: number]>("knobs"),
  study: key<[gameId: string, studyId: unknown, ending: unknown, share: unknown]>("study"),
  times: key<[medianMs: number, spread: number]>("times"),
  // Exports
  takeaways: key<[gameId: string]>("takeaways"),
  python: key<[gameId: string, revision: number]>("python"),
};
