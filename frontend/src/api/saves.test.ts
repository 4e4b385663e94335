import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Saving } from "./saving";
import { Saves } from "./saves";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** Saves of lists, each send answered when the test says so. */
function begun() {
  const told: Saving[] = [];
  const sent: { due: string[]; on: number; done: (error?: Error) => void }[] = [];
  const saves = new Saves<string[]>(7, {
    send: (due, on) =>
      new Promise<number>((resolve, reject) => {
        sent.push({ due, on, done: (error) => (error ? reject(error) : resolve(on + 1)) });
      }),
    join: (due, next) => [...due, ...next],
    tell: (saving) => told.push(saving),
    mayBeKept: (error) => error instanceof Error && error.message === "no answer",
    pauseMs: 300,
  });
  return { saves, told, sent };
}

test("what follows within the pause goes out together", async () => {
  const { saves, sent, told } = begun();
  saves.put(["a"]);
  await vi.advanceTimersByTimeAsync(200);
  saves.put(["b"]);
  await vi.advanceTimersByTimeAsync(299);
  expect(sent).toHaveLength(0);
  await vi.advanceTimersByTimeAsync(1);
  expect(sent[0]?.due).toEqual(["a", "b"]);
  expect(saves.isDue).toBe(true);
  sent[0]?.done();
  await vi.runAllTimersAsync();
  expect(told.at(-1)).toEqual({ is: "saved" });
  expect(saves.isDue).toBe(false);
});

test("one save is on its way at a time, and what came meanwhile follows", async () => {
  const { saves, sent, told } = begun();
  saves.put(["a"]);
  await vi.advanceTimersByTimeAsync(300);
  saves.put(["b"]);
  await vi.advanceTimersByTimeAsync(1000);
  expect(sent).toHaveLength(1);
  sent[0]?.done();
  await vi.runAllTimersAsync();
  expect(sent.map(({ due, on }) => [...due, on])).toEqual([
    ["a", 7],
    ["b", 8],
  ]);
  expect(told.at(-1)).toEqual({ is: "saving" });
});

test("what could not be saved goes out again, before what came after it", async () => {
  const { saves, sent, told } = begun();
  const error = new Error("out of reach");
  saves.put(["a"]);
  await vi.advanceTimersByTimeAsync(300);
  saves.put(["b"]);
  sent[0]?.done(error);
  await vi.advanceTimersByTimeAsync(0);
  expect(told.at(-1)).toEqual({ is: "failed", error });
  await vi.advanceTimersByTimeAsync(300);
  expect(sent[1]?.due).toEqual(["a", "b"]);
  expect(sent[1]?.on).toBe(7);
});

test("what may be kept although no answer came is sent again as it was, and then what came after it", async () => {
  const { saves, sent, told } = begun();
  saves.put(["a"]);
  await vi.advanceTimersByTimeAsync(300);
  sent[0]?.done(new Error("no answer"));
  await vi.advanceTimersByTimeAsync(0);
  saves.put(["b"]);
  await vi.advanceTimersByTimeAsync(300);
  expect(sent[1]?.due).toEqual(["a"]);
  sent[1]?.done();
  await vi.advanceTimersByTimeAsync(0);
  expect(sent[2]?.due).toEqual(["b"]);
  sent[2]?.done();
  await vi.runAllTimersAsync();
  expect(told.at(-1)).toEqual({ is: "saved" });
});

test("what is given up is never sent", async () => {
  const { saves, sent } = begun();
  saves.put(["a"]);
  saves.forget();
  await saves.flush();
  await vi.runAllTimersAsync();
  expect(sent).toHaveLength(0);
});
