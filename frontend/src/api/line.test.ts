import { expect, test } from "vitest";
import { Line } from "./line";

test("each call waits for the one before, also for one that fails", async () => {
  const line = new Line();
  const done: string[] = [];
  const call = (name: string, ticks: number) => async () => {
    for (let tick = 0; tick < ticks; tick++) await Promise.resolve();
    done.push(name);
    if (name === "broken") throw new Error(name);
    return name;
  };
  const first = line.next(call("slow", 9));
  const broken = line.next(call("broken", 3));
  const last = line.next(call("quick", 0));
  await expect(broken).rejects.toThrow("broken");
  expect([await first, await last]).toEqual(["slow", "quick"]);
  expect(done).toEqual(["slow", "broken", "quick"]);
});
