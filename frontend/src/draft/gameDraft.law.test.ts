/// <reference types="node" />
/**
 * A law over the real draft, the real client and the real server: whatever gestures are made, in two tabs, with a
 * server that is slow, out of reach or whose answers are lost, at the end the store holds exactly what both tabs
 * show, and an edit that is not in it was overwritten by hand or told. `GESTURES` says how many are made, `SEED`
 * which.
 */
import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import fc from "fast-check";
import createClient from "openapi-fetch";
import { afterAll, beforeAll, expect, test } from "vitest";
import { given } from "../api/client";
import type { Game, GameView, LoadProgress } from "../api/schema";
import type { paths } from "../api/schema";
import { GameDraft, type Keeper } from "./gameDraft";
import { at, withAt, type Path } from "./merge";

const GESTURES = Number(process.env.GESTURES ?? 600);
const SEED = Number(process.env.SEED ?? 30);
const IN_A_ROW = 40;
const PAUSE_MS = 2;

const ROOT = path.resolve(import.meta.dirname, "../../..");
const folder = mkdtempSync(path.join(tmpdir(), "gestures-"));
let server: ChildProcess;
let home = "";

beforeAll(async () => {
  const python = process.env.PYTHON_OF_TESTS ?? path.join(ROOT, ".venv/bin/python");
  server = spawn(python, ["-m", "dicetrail.cli", "serve", "--port", "0", "--data", path.join(folder, "store.sqlite")], { cwd: ROOT });
  home = await new Promise<string>((resolve, reject) => {
    let printed = "";
    server.stdout?.on("data", (part: Buffer) => {
      printed += part.toString();
      const found = /http:\/\/\S+:\d+/.exec(printed);
      if (found) resolve(found[0]);
    });
    server.on("exit", () => reject(new Error(`the server did not start: ${printed}`)));
  });
}, 30_000);

afterAll(() => {
  server.kill("SIGKILL");
  rmSync(folder, { recursive: true, force: true });
});

/** What becomes of a call: it is answered, is slow, does not arrive, or its answer is lost. */
type Weather = "fair" | "slow" | "out of reach" | "answers lost" | "failing";

let weather: Weather = "fair";

async function calling(request: Request): Promise<Response> {
  const now = weather;
  if (now === "out of reach") throw new TypeError("fetch failed");
  if (now === "failing") return Response.json({ status: 500, detail: "It failed.", title: "", type: "", problems: [] }, { status: 500 });
  const headers = new Headers(request.headers);
  headers.set("origin", home);
  const response = await fetch(new Request(request, { headers }));
  if (now === "slow") await new Promise((resolve) => setTimeout(resolve, 15));
  if (now === "answers lost") throw new TypeError("fetch failed");
  return response;
}

const api = () => createClient<paths>({ baseUrl: home, fetch: calling });
const of = (game_id: string) => ({ params: { path: { game_id } } });

function keeper(told: Keeper["told"]): Keeper {
  return {
    save: (game_id, revision, document) => given(api().PUT("/api/games/{game_id}", { ...of(game_id), body: { revision, document } })),
    show: (game_id) => given(api().GET("/api/games/{game_id}", of(game_id))),
    revision: (game_id, number) => given(api().GET("/api/games/{game_id}/revisions/{number}", { params: { path: { game_id, number } } })),
    changesAfter: async (game_id, number) => {
      const revisions = await given(api().GET("/api/games/{game_id}/revisions", of(game_id)));
      return revisions.filter((one) => one.number > number).flatMap(({ changes }) => changes);
    },
    told,
    pauseMs: PAUSE_MS,
  };
}

const FIELDS: Path[] = [["title"], ["rounds", 0, "title"], ["opening", "words"], ["endings", 0, "title"], ["endings", 0, "verdict"]];

type Gesture =
  | { does: "edit"; tab: number; field: number }
  | { does: "undo" | "redo" | "go back" | "reload" | "load" | "look again" | "add a round"; tab: number }
  | { does: "weather"; becomes: Weather }
  | { does: "wait"; ms: number };

const tab = fc.nat(1);
const gesture: fc.Arbitrary<Gesture> = fc.oneof(
  { weight: 12, arbitrary: fc.record({ does: fc.constant("edit" as const), tab, field: fc.nat(FIELDS.length - 1) }) },
  { weight: 4, arbitrary: fc.record({ does: fc.constantFrom("undo" as const, "redo" as const), tab }) },
  { weight: 3, arbitrary: fc.record({ does: fc.constantFrom("go back" as const, "reload" as const, "look again" as const), tab }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constantFrom("load" as const, "add a round" as const), tab }) },
  {
    weight: 3,
    arbitrary: fc.record({
      does: fc.constant("weather" as const),
      becomes: fc.constantFrom<Weather>("fair", "fair", "slow", "out of reach", "answers lost", "failing"),
    }),
  },
  { weight: 4, arbitrary: fc.record({ does: fc.constant("wait" as const), ms: fc.constantFrom(0, 1, 5, 30) }) },
);

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A tab: its draft, what its fields showed when last looked at, and all that was told in it. */
class Tab {
  draft: GameDraft;
  seen: Map<string, unknown>;
  told: string[] = [];
  /** How often the tab was told of a change elsewhere. */
  times = 0;
  #timesSeen = 0;

  constructor(
    private view: GameView,
    private readonly others: () => Tab[],
  ) {
    this.draft = this.#open();
    this.seen = this.#fields();
  }

  get id() {
    return this.view.id;
  }

  #open() {
    const draft = new GameDraft(this.view, keeper((view, isOwn) => this.#saved(view, isOwn)));
    let before = draft.shown().elsewhere;
    draft.listen(() => {
      const { elsewhere } = draft.shown();
      if (elsewhere && elsewhere !== before) {
        this.times += 1;
        this.told.push(...elsewhere.changes, ...elsewhere.clashes.map(({ theirs }) => JSON.stringify(theirs)));
      }
      before = elsewhere;
    });
    return draft;
  }

  #saved(view: GameView, isOwn: boolean) {
    this.view = view;
    if (isOwn) for (const other of this.others()) if (other !== this && other.draft.revision < view.revision) void other.draft.lookAgain();
  }

  #fields() {
    return new Map(FIELDS.map((field) => [field.join(), at(this.draft.document, field)]));
  }

  /** Notes what the fields show after a gesture made in this tab. */
  note() {
    this.seen = this.#fields();
    this.#timesSeen = this.times;
  }

  /** No field shows anything else than what was put there in this tab, unless it was told. */
  check() {
    for (const [field, value] of this.#fields()) {
      if (value !== this.seen.get(field)) expect(this.times, `${field} changed by itself`).toBeGreaterThan(this.#timesSeen);
    }
    this.note();
  }

  /** Reads the game anew, as a reload does. What is not saved keeps a browser from it. */
  reload(view: GameView) {
    this.view = view;
    this.draft = this.#open();
    this.note();
  }
}

let written = 0;

async function loaded(draft: GameDraft) {
  const made = await given(
    api().POST("/api/loads", { body: { text: "" }, bodySerializer: () => asForm("text", "Which grows underground?\tCarrot\tPea\tBean\n") }),
  );
  const params = { params: { path: { load_id: made.id } } };
  const target = { into: "new" as const, title: "", pack_id: "" };
  let now: LoadProgress = await given(api().POST("/api/loads/{load_id}/take", { ...params, body: { target } }));
  while (now.stage === "reading" || now.stage === "writing") {
    await pause(5);
    now = await given(api().GET("/api/loads/{load_id}/progress", params));
  }
  const pack = now.pack_id;
  if (!pack) throw new Error("nothing was loaded");
  draft.endStep();
  draft.edit((document) => withAt(document, ["rounds", 0, "packs"], [...(at(document, ["rounds", 0, "packs"]) as string[]), pack]));
}

function asForm(name: string, value: string): FormData {
  const form = new FormData();
  form.append(name, value);
  return form;
}

async function made(tabs: Tab[], next: Gesture): Promise<void> {
  if (next.does === "weather") {
    weather = next.becomes;
    return;
  }
  if (next.does === "wait") {
    await pause(next.ms);
    for (const tab of tabs) tab.check();
    return;
  }
  const tab = tabs[next.tab];
  if (!tab) return;
  const { draft } = tab;
  const isFair = weather === "fair";
  tab.check();
  switch (next.does) {
    case "edit":
      draft.edit((document) => withAt(document, FIELDS[next.field] ?? [], `text ${++written}`));
      break;
    case "undo":
      draft.undo();
      break;
    case "redo":
      draft.redo();
      break;
    case "go back":
      await draft.flush();
      return;
    case "look again":
      await draft.lookAgain();
      return;
    case "add a round":
      draft.edit((document): Game => {
        const [first] = document.rounds;
        return first && document.rounds.length < 4 ? { ...document, rounds: [...document.rounds, first] } : document;
      });
      break;
    case "reload":
      if (!isFair || draft.isDue) return;
      tab.reload(await given(api().GET("/api/games/{game_id}", of(tab.id))));
      return;
    case "load":
      if (isFair) await loaded(draft);
      return;
  }
  tab.note();
}

test(
  "whatever is done, the store ends as both tabs show, and no edit is lost untold",
  async () => {
    let count = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(gesture, { minLength: IN_A_ROW, maxLength: IN_A_ROW }), async (gestures) => {
        weather = "fair";
        const body = { title: "Supper", packs: [], recipe: "" };
        const view = await given(api().POST("/api/games", { body }));
        const tabs: Tab[] = [];
        for (let many = 0; many < 2; many += 1) tabs.push(new Tab(view, () => tabs));
        for (const next of gestures) await made(tabs, next);
        count += gestures.length;
        weather = "fair";
        for (let times = 0; times < 6; times += 1) {
          for (const { draft } of tabs) await draft.lookAgain();
          for (const { draft } of tabs) await draft.saved();
        }
        const kept = await given(api().GET("/api/games/{game_id}", of(view.id)));
        for (const { draft } of tabs) {
          expect(draft.document).toEqual(kept.document);
          expect(draft.shown().saving).toEqual({ is: "saved" });
          expect(draft.isDue).toBe(false);
        }
        // What one tab wrote last and the other overwrote was told there.
        for (const tab of tabs) {
          for (const field of FIELDS) {
            const value = at(kept.document, field);
            if (value !== tab.seen.get(field.join())) expect(tab.times, `${field.join()} was lost untold`).toBeGreaterThan(0);
          }
        }
      }),
      { numRuns: Math.ceil(GESTURES / IN_A_ROW), seed: SEED, endOnFailure: true, includeErrorInReport: true },
    );
    console.log(`${count} gestures, no edit lost`);
  },
  60_000 + GESTURES * 200,
);
