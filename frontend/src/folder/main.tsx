/** The players' page in a folder of its own: no server but one that hands out files. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { MemoryRouter, Route, Routes } from "react-router";
import { liveAt } from "../api/home";
import { Guarded } from "../app/Guarded";
import "../app/theme.css";
import PlayPage from "../play/PlayPage";
import { Course, courseAround } from "./course";
import { Engine, type StandaloneGame } from "./engine";

const file = async (name: string) => (await fetch(name)).text();

async function lay(root: HTMLElement) {
  if ("serviceWorker" in navigator) void navigator.serviceWorker.register("sw.js").catch(() => undefined);
  const [page, document] = await Promise.all([file("game/page.json"), file("game/game.json")]);
  const standalone = JSON.parse(page) as StandaloneGame;
  const engine = new Engine(standalone, document);
  const api = standalone.course && courseAround(window);
  const course = api && new Course(api, standalone.course?.passes ?? []);
  if (course) addEventListener("pagehide", () => course.end());
  liveAt({
    hear: (told) => course?.hear(told),
    reach: async (request) => (await engine.answer(request)) ?? fetch(request),
    mediaAt: (digest) => `media/${standalone.media[digest] ?? ""}`,
    saveAnswers: async () => {
      const answer = await engine.call({ method: "GET", path: `/api/play/games/${standalone.game.id}/answers`, body: null });
      save(`${standalone.game.id}-answers.jsonl`, answer?.body as { lines: string[] } | undefined);
    },
  });
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } } })}>
        <MemoryRouter initialEntries={[`/play/${standalone.game.id}`]}>
          <Guarded name="this page" resetKeys={[]} isPage>
            <Routes>
              <Route path="/play/:gameId" element={<PlayPage />} />
            </Routes>
          </Guarded>
        </MemoryRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

function save(name: string, told: { lines: string[] } | undefined) {
  if (!told) return;
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob(told.lines.map((line) => `${line}\n`), { type: "application/jsonl" }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

const root = document.getElementById("root");
if (!root) throw new Error("index.html has no #root");
void lay(root);
