import { detailsOf } from "../api/client";
import { useIsQueued } from "../api/waiting";
import type { Phrase } from "../api/schema";
import { useSay } from "../table/translator";
import { Notice } from "../ui/Notice";

/** What went wrong, by the status the server gives it, in the game's words. */
const WORDS: Record<number, Phrase> = {
  0: "connection lost",
  404: "is gone",
  422: "not playable",
  429: "too often",
};

/** And by its type, where several have one status. */
const BY_TYPE: Partial<Record<string, Phrase>> = {
  "/problems/faulty-game": "not playable",
  "/problems/run-moved-on": "moved on",
};

/** Tells a player that very many play at the same time, while what they did waits for its turn. */
export function Queued() {
  const say = useSay();
  return useIsQueued() && <Notice>{say("in the queue")}</Notice>;
}

/** Tells a player that something went wrong. */
export function Trouble({ error }: { error: unknown }) {
  const say = useSay();
  const { type, status } = detailsOf(error);
  return <Notice tone={status === 0 ? "plain" : "wrong"}>{say(BY_TYPE[type] ?? WORDS[status] ?? "trouble")}</Notice>;
}
