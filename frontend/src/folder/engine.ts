/**
 * In place of a server: what the players' page asks is answered by the engine of its folder.
 *
 * The engine runs beside the page and keeps nothing itself. What it says is to be kept of a run
 * is kept on this device; every call brings it the time of the day and a number by chance.
 */
import { tellComing } from "../api/home";
import type { Dress, PlayGame } from "../api/schema";
import type { Asked, Told } from "./worker";

/** A game as it lies in its folder. */
export type StandaloneGame = {
  game: PlayGame;
  dress: Dress;
  /** The files of pictures and sounds, by their digests. */
  media: Record<string, string>;
  /** The files of its own sounds, by their names. */
  sounds: Record<string, string>;
  /** How many bytes the engine's memory has, as it comes. */
  memory_size: number;
  /** In a package for a course: the endings that count as passed. */
  course?: { passes: string[] };
};

type Call = { method: string; path: string; body: unknown };
/** A run as it is kept: its text is the engine's, and not read here. */
type Kept = { id: string; run: string };
type Answer = { status: number; body: unknown; keep: Kept | null };

const isKept = (one: unknown): one is Kept =>
  typeof one === "object" && one !== null && "id" in one && "run" in one && typeof one.run === "string";

const MAX_KEPT = 200;
/** What is answered where the engine did not begin: nothing that waiting would mend. */
const BROKEN = { type: "about:blank", title: "Broken", status: 500, detail: "The engine did not begin.", problems: [] };

export class Engine {
  private readonly waiting = new Map<number, (answer: Answer | undefined) => void>();
  private readonly worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  private readonly memory: string;
  private asked = 0;
  private hasFailed = false;

  constructor(
    private readonly standalone: StandaloneGame,
    document: string,
  ) {
    this.memory = `runs of ${standalone.game.id}`;
    this.worker.onmessage = ({ data }: MessageEvent<Told>) => this.hear(data);
    this.worker.onerror = () => this.hear({ failed: "the engine did not begin" });
    tellComing(0);
    const size = standalone.memory_size;
    this.post({ begin: { standalone: document, kept: JSON.stringify(this.kept().map(({ run }) => run)), size } });
  }

  /** What the page fetches; nothing if it is not the engine's to answer. */
  async answer(request: Request): Promise<Response | undefined> {
    const { pathname, search } = new URL(request.url);
    const at = pathname.indexOf("/api/");
    if (at < 0) return undefined;
    const path = decodeURIComponent(pathname.slice(at));
    const { game, dress, media, sounds } = this.standalone;
    if (path.startsWith("/api/media/")) return fetch(`media/${media[path.slice("/api/media/".length)] ?? ""}`);
    if (path.startsWith("/api/sounds/games/")) return fetch(`sounds/${sounds[path.split("/").slice(6).join("/")] ?? ""}`);
    if (path === `/api/play/games/${game.id}`) return Response.json(game);
    if (path.startsWith(`/api/play/games/${game.id}/dress/`)) return Response.json(dress);
    const text = request.method === "GET" ? "" : await request.text();
    const body: unknown = text ? JSON.parse(text) : null;
    const answer = await this.call({ method: request.method, path: path + search, body });
    if (!answer) return Response.json(BROKEN, { status: BROKEN.status });
    return answer.status === 204 ? new Response(null, { status: 204 }) : Response.json(answer.body, { status: answer.status });
  }

  async call(call: Call): Promise<Answer | undefined> {
    if (this.hasFailed) return undefined;
    const id = ++this.asked;
    const chance = Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join("");
    const answer = await new Promise<Answer | undefined>((resolve) => {
      this.waiting.set(id, resolve);
      this.post({ id, call: JSON.stringify({ ...call, now: Date.now(), chance }) });
    });
    if (answer?.keep) this.keep(answer.keep);
    return answer;
  }

  private post(asked: Asked) {
    this.worker.postMessage(asked);
  }

  private hear(told: Told) {
    if ("coming" in told) tellComing(told.coming < 1 ? told.coming : undefined);
    else if ("id" in told) {
      this.waiting.get(told.id)?.(JSON.parse(told.answer) as Answer);
      this.waiting.delete(told.id);
    } else {
      this.hasFailed = true;
      tellComing(undefined);
      console.error(told.failed);
      for (const resolve of this.waiting.values()) resolve(undefined);
      this.waiting.clear();
    }
  }

  private kept(): Kept[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(this.memory) ?? "[]");
      return Array.isArray(kept) ? kept.filter(isKept) : [];
    } catch {
      return []; // what something else has left there is no run
    }
  }

  /** Keeps a run, the newest ones only where there are very many. */
  private keep(run: Kept) {
    const others = this.kept().filter(({ id }) => id !== run.id);
    for (let kept = [...others, run].slice(-MAX_KEPT); kept.length > 0; kept = kept.slice(1)) {
      try {
        localStorage.setItem(this.memory, JSON.stringify(kept));
        return;
      } catch {
        // The device keeps no more: the oldest goes.
      }
    }
  }
}
