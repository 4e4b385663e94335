/**
 * The engine: a Python that has begun before, answering one call after the other.
 *
 * It comes as the memory of a Python in which everything was read already (`memory.zst`), so
 * that neither the language nor the engine has to be begun anew; see `engine/build.mjs`.
 */
import { decompress } from "fzstd";
import type * as Pyodide from "pyodide";

/** What the page sends: first the game and what is kept of it, then calls, all as JSON. */
export type Asked = { begin: { standalone: string; kept: string; size: number } } | { id: number; call: string };

/** What it is sent: how much of the engine has come, and the answer to a call. */
export type Told = { coming: number } | { id: number; answer: string } | { failed: string };

/** What the page's engine offers; see `dicetrail/standalone/offline_api.py`. */
type OfflineApi = { opened: (standalone: string, kept: string) => unknown; answer: (opened: unknown, call: string) => string };

const AT = new URL("../engine/", self.location.href).href;

/** Of all there is to wait for, so much is the coming of its memory. */
const SHARE_OF_MEMORY = 0.8;

const tell = (told: Told) => self.postMessage(told);

async function memory(size: number): Promise<Uint8Array> {
  const response = await fetch(`${AT}memory.zst`);
  if (!response.ok || !response.body) throw new Error(`memory.zst: ${response.status}`);
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = response.body.getReader();
  for (let part = await reader.read(); part.value; part = await reader.read()) {
    parts.push(part.value);
    length += part.value.length;
    tell({ coming: (SHARE_OF_MEMORY * length) / Math.max(size, length) });
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return decompress(whole);
}

async function begin({ standalone, kept, size }: { standalone: string; kept: string; size: number }) {
  const coming = memory(size);
  const { loadPyodide } = (await import(/* @vite-ignore */ `${AT}pyodide.mjs`)) as typeof Pyodide;
  const python = await loadPyodide({
    indexURL: AT,
    lockFileURL: `${AT}lock.json`,
    stdLibURL: "data:,", // Python's own library is in the memory already
    _loadSnapshot: coming,
  });
  const api = python.pyimport("dicetrail.standalone.offline_api") as OfflineApi;
  const here = api.opened(standalone, kept);
  tell({ coming: 1 });
  return (call: string) => api.answer(here, call);
}

let engine: Promise<(call: string) => string> | undefined;

self.onmessage = ({ data }: MessageEvent<Asked>) => {
  if ("begin" in data) {
    engine = begin(data.begin);
    engine.catch((error: unknown) => tell({ failed: String(error) }));
    return;
  }
  void engine?.then((answer) => tell({ id: data.id, answer: answer(data.call) }));
};
