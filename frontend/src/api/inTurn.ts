import { reach } from "./home";
import { countQueued } from "./waiting";

const TICKET = "x-dice-trail-ticket";
const BUSY = 503;

/** Asks what the interface answers; while the server has very many to answer, asks again each time its turn is said to come. */
export async function inTurn(request: Request): Promise<Response> {
  let next = request;
  for (;;) {
    const again = next.clone();
    const answer = await reach(next);
    const ticket = answer.headers.get(TICKET);
    if (answer.status !== BUSY || ticket === null) return answer;
    const headers = new Headers(again.headers);
    headers.set(TICKET, ticket);
    next = new Request(again, { headers });
    await queuedFor(Number(answer.headers.get("retry-after")), request.signal);
  }
}

async function queuedFor(seconds: number, signal: AbortSignal): Promise<void> {
  countQueued(1);
  try {
    await new Promise<void>((resolve, reject) => {
      const timer = setTimeout(resolve, seconds * 1000);
      signal.addEventListener("abort", () => {
        clearTimeout(timer);
        reject(new DOMException("given up", "AbortError"));
      });
    });
  } finally {
    countQueued(-1);
  }
}
