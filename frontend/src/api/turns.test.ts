import { expect, test } from "vitest";
import { Turns } from "./turns";

test("each is sent on top of what the one before gave, also what came meanwhile", async () => {
  const turns = new Turns<number>(5);
  const sent: string[] = [];
  const send = (name: string) => async (state: number) => {
    sent.push(`${name} on ${state}`);
    if (name === "first") turns.push("late", send("late"));
    await Promise.resolve();
    return state + 1;
  };
  turns.push("first", send("first"));
  turns.push("second", send("second"));
  const all = turns.sendAll(() => 7);
  void turns.sendAll(() => 100);
  await all;
  expect(sent).toEqual(["first on 7", "second on 8", "late on 9"]);
  expect(turns.isEmpty).toBe(true);
});

test("a key held down is sent once, and no more than the most wait", () => {
  const turns = new Turns<number>(2);
  const send = (state: number) => Promise.resolve(state);
  expect([turns.push("a", send), turns.push("a", send), turns.push("b", send), turns.push("c", send)]).toEqual([
    true,
    false,
    true,
    false,
  ]);
});

test("what was meant for the outcome of one that was refused is given up with it", async () => {
  const turns = new Turns<number>(5);
  const sent: string[] = [];
  turns.push("refused", () => Promise.resolve(undefined));
  turns.push("after", (state) => {
    sent.push("after");
    return Promise.resolve(state);
  });
  await turns.sendAll(() => 0);
  expect(sent).toEqual([]);
  turns.push("anew", (state) => {
    sent.push("anew");
    return Promise.resolve(state);
  });
  await turns.sendAll(() => 0);
  expect(sent).toEqual(["anew"]);
});

test("one that throws gives the turn back", async () => {
  const turns = new Turns<number>(5);
  turns.push("broken", () => Promise.reject(new Error("broken")));
  await expect(turns.sendAll(() => 0)).rejects.toThrow("broken");
  expect(turns.push("another", (state) => Promise.resolve(state))).toBe(true);
});

test("what came meanwhile is what the next is sent on", async () => {
  const turns = new Turns<number>(5);
  let newest = 1;
  const sent: number[] = [];
  const send = (state: number) => {
    sent.push(state);
    return Promise.resolve(state);
  };
  turns.push("first", send);
  await turns.sendAll(() => newest);
  newest = 9;
  turns.push("second", send);
  await turns.sendAll(() => newest);
  expect(sent).toEqual([1, 9]);
});
