// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { liveAt } from "./home";
import { inTurn } from "./inTurn";
import { useIsQueued } from "./waiting";

type Heard = { ticket: string | null; body: string };
let heard: Heard[] = [];
let busyFor = 0;

beforeEach(() => {
  heard = [];
  vi.useFakeTimers();
  liveAt({
    mediaAt: (digest) => digest,
    reach: async (request) => {
      heard.push({ ticket: request.headers.get("x-dice-trail-ticket"), body: await request.text() });
      const headers = { "x-dice-trail-ticket": `ticket ${heard.length}`, "retry-after": "3" };
      return heard.length > busyFor ? new Response("done") : new Response("{}", { status: 503, headers });
    },
  });
});
afterEach(() => vi.useRealTimers());

const sent = (signal?: AbortSignal) => inTurn(new Request("http://localhost/api/x", { method: "POST", body: "an answer", signal: signal ?? null }));

test("what must wait is sent again whole, with its ticket, when its turn comes, and the page knows", async () => {
  busyFor = 2;
  const { result } = renderHook(() => useIsQueued());
  const answer = sent();
  await act(() => vi.advanceTimersByTimeAsync(2900));
  expect([heard.length, result.current]).toEqual([1, true]);
  await act(() => vi.advanceTimersByTimeAsync(3200));
  expect(await (await answer).text()).toBe("done");
  expect(heard.map(({ ticket }) => ticket)).toEqual([null, "ticket 1", "ticket 2"]);
  expect(new Set(heard.map(({ body }) => body))).toEqual(new Set(["an answer"]));
  expect(result.current).toBe(false);
});

test("what is given up while it waits is not sent again", async () => {
  busyFor = 9;
  const giving = new AbortController();
  const answer = sent(giving.signal).catch((error: unknown) => (error as DOMException).name);
  await vi.advanceTimersByTimeAsync(1000);
  giving.abort();
  expect(await answer).toBe("AbortError");
  await vi.advanceTimersByTimeAsync(9000);
  expect(heard).toHaveLength(1);
});
