import { beforeEach, expect, test, vi } from "vitest";
import { Engine, type StandaloneGame } from "./engine";
import type { Asked, Told } from "./worker";

/** A device that keeps no more than so many characters. */
class Device {
  private readonly held = new Map<string, string>();
  constructor(private readonly most = Infinity) {}
  getItem = (name: string) => this.held.get(name) ?? null;
  setItem = (name: string, text: string) => {
    if (text.length > this.most) throw new Error("full");
    this.held.set(name, text);
  };
}

/** An engine's worker that answers as it is told to. */
class FakeWorker {
  static last: FakeWorker;
  onmessage: (event: { data: Told }) => void = () => undefined;
  onerror: () => void = () => undefined;
  asked: Asked[] = [];
  constructor() {
    FakeWorker.last = this;
  }
  postMessage(asked: Asked) {
    this.asked.push(asked);
  }
  say(data: Told) {
    this.onmessage({ data });
  }
  /** Answers the newest call. */
  answer(status: number, body: unknown, keep: unknown = null) {
    const last = this.asked.at(-1);
    if (!last || !("id" in last)) throw new Error("nothing was asked");
    this.say({ id: last.id, answer: JSON.stringify({ status, body, keep }) });
  }
  get kept(): unknown {
    const [first] = this.asked;
    return first && "begin" in first ? (JSON.parse(first.begin.kept) as unknown) : undefined;
  }
}

const AT = "http://school.example/play/sums/";
const CARRIED = {
  game: { id: "sums", title: "Sums" },
  dress: { language: "en" },
  media: { abc: "abc.svg" },
  sounds: { "a bell/2": "0.wav" },
  memory_size: 9,
} as unknown as StandaloneGame;

const get = (path: string) => new Request(AT.replace("/play/sums/", "") + path);
const post = (path: string, body: unknown) => new Request(get(path), { method: "POST", body: JSON.stringify(body) });

beforeEach(() => {
  vi.stubGlobal("Worker", FakeWorker);
  vi.stubGlobal("localStorage", new Device());
  vi.stubGlobal("fetch", vi.fn((name: string) => Promise.resolve(new Response(`file ${name}`))));
  vi.spyOn(console, "error").mockImplementation(() => undefined);
});

test("what lies in the folder is handed out without asking the engine", async () => {
  const engine = new Engine(CARRIED, "{}");
  for (const [path, told] of [
    ["/api/media/abc", "file media/abc.svg"],
    ["/api/sounds/games/sums/1/a%20bell%2F2", "file sounds/0.wav"],
  ] as const) {
    expect(await (await engine.answer(get(path)))?.text()).toBe(told);
  }
  expect(await (await engine.answer(get("/api/play/games/sums")))?.json()).toEqual(CARRIED.game);
  expect(await (await engine.answer(get("/api/play/games/sums/dress/1")))?.json()).toEqual(CARRIED.dress);
  expect(await engine.answer(get("/assets/leaf.svg"))).toBeUndefined();
  expect(FakeWorker.last.asked).toHaveLength(1);
});

test("what the engine says goes on with its status, also a refusal and nothing at all", async () => {
  const engine = new Engine(CARRIED, "{}");
  for (const [status, body] of [[201, { id: "r" }], [409, { detail: "gone on" }], [204, null]] as const) {
    const answer = engine.answer(post("/api/play/runs/r/inputs", { seen: 3 }));
    await vi.waitFor(() => expect(FakeWorker.last.asked.at(-1)).toHaveProperty("call"));
    await Promise.resolve();
    FakeWorker.last.answer(status, body);
    const response = await answer;
    expect(response?.status).toBe(status);
    if (body) expect(await response?.json()).toEqual(body);
    FakeWorker.last.asked = [];
  }
});

test("every call has the time of the day and a number by chance that no other has", async () => {
  const engine = new Engine(CARRIED, "{}");
  const chances = new Set<string>();
  for (let count = 0; count < 50; count += 1) {
    const answer = engine.call({ method: "GET", path: "/api/play/runs/r", body: null });
    const asked = FakeWorker.last.asked.at(-1);
    const call = JSON.parse(asked && "call" in asked ? asked.call : "{}") as { now: number; chance: string };
    expect(Math.abs(call.now - Date.now())).toBeLessThan(1000);
    expect(call.chance).toMatch(/^[0-9a-f]{32}$/);
    chances.add(call.chance);
    FakeWorker.last.answer(200, {});
    await answer;
  }
  expect(chances.size).toBe(50);
});

test("a run is kept under its name as the text the engine gave, and found by the next page", async () => {
  const run = '{"dice": 340282366920938463463374607431768211455}';
  const engine = new Engine(CARRIED, "{}");
  for (const [id, text] of [["one", run], ["two", "{}"], ["one", `${run} `]] as const) {
    const answer = engine.call({ method: "GET", path: "/", body: null });
    FakeWorker.last.answer(200, {}, { id, run: text });
    await answer;
  }
  new Engine(CARRIED, "{}");
  expect(FakeWorker.last.kept).toEqual(["{}", `${run} `]);
});

test("where the device is full the oldest runs go, and play goes on", async () => {
  vi.stubGlobal("localStorage", new Device(300));
  const engine = new Engine(CARRIED, "{}");
  for (let number = 0; number < 9; number += 1) {
    const answer = engine.call({ method: "GET", path: "/", body: null });
    FakeWorker.last.answer(200, { number }, { id: `run ${number}`, run: "x".repeat(60) });
    expect((await answer)?.body).toEqual({ number });
  }
  new Engine(CARRIED, "{}");
  expect(FakeWorker.last.kept).toHaveLength(3);
});

test.each(["no JSON", "{}", "7", '[1, null, {"id": 1}, {"id": "x"}]'])("what is no run is left out: %s", (kept) => {
  localStorage.setItem("runs of sums", kept);
  new Engine(CARRIED, "{}");
  expect(FakeWorker.last.kept).toEqual([]);
});

test("an engine that fails leaves nobody waiting", async () => {
  const engine = new Engine(CARRIED, "{}");
  const waiting = [1, 2].map(() => engine.call({ method: "GET", path: "/", body: null }));
  FakeWorker.last.say({ failed: "no memory" });
  expect(await Promise.all(waiting)).toEqual([undefined, undefined]);
  expect(await engine.call({ method: "GET", path: "/", body: null })).toBeUndefined();
  expect((await engine.answer(get("/api/play/runs/r")))?.status).toBe(500);
});
