import createClient from "openapi-fetch";
import { expect, test } from "vitest";
import { detailsOf, done, given, isKeyWanted } from "./client";
import type { paths } from "./schema";

let answer = () => new Response();
const answers = (status: number, body: string | null, type = "application/problem+json") => {
  answer = () => new Response(body, { status, headers: { "content-type": type } });
};
const api = createClient<paths>({ baseUrl: "http://localhost/", fetch: () => Promise.resolve(answer()) });
const shelf = () => given(api.GET("/api/games"));
const restored = () => done(api.POST("/api/backup", { body: { file: "" } }));
const failing = (call: Promise<unknown>): Promise<object> =>
  call.then(
    () => ({}),
    (error: unknown) => detailsOf(error),
  );

test("a call that gives nothing back is done all the same", async () => {
  answers(204, null);
  await restored();
});

test("what the server explains is handed on, and so is that it wants the key", async () => {
  answers(409, '{"status": 409, "detail": "There is something on this shelf."}');
  expect(await failing(restored())).toMatchObject({ status: 409, detail: "There is something on this shelf." });
  answers(401, '{"status": 401, "detail": "Show the key."}');
  expect(await failing(shelf())).toMatchObject({ status: 401 });
  expect(isKeyWanted()).toBe(true);
});

test("what a proxy says in its own form is told, and while the server is away it is out of reach", async () => {
  answers(413, "<html>too large</html>", "text/html");
  expect(await failing(restored())).toHaveProperty("detail", "The answer was 413, without a reason. Nothing you saved is lost.");
  for (const status of [502, 503, 504]) {
    answers(status, "<html>bad gateway</html>", "text/html");
    expect(await failing(shelf())).toMatchObject({ status: 0 });
    expect(await failing(restored())).toMatchObject({ status: 0 });
  }
  answers(200, null);
  expect(await failing(shelf())).toMatchObject({ status: 0 });
});
