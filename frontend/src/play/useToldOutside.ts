import { useEffect, useRef } from "react";
import { tellHome, type Told } from "../api/home";
import type { PlayView } from "../api/schema";

/**
 * Tells the page around this one, if it is of a site the maker has named, what happens in the
 * game: only what its player sees.
 */
export function useToldOutside(run: PlayView | undefined, sites: string[]) {
  const table = run?.table;
  const last = useRef("");
  useEffect(() => {
    if (!run || !table) return;
    const { question, feedback, ending } = table;
    const moment = `${run.id} ${table.phase} ${question?.in_run ?? 0} ${feedback?.result ?? ""}`;
    if (last.current === moment) return;
    const wasOpening = last.current === "" || last.current.startsWith(`${run.id} opening`);
    last.current = moment;
    if (wasOpening && table.phase === "asking" && !feedback) {
      tell(sites, { from: "dice trail", what: "begun", players: table.players.map(({ name }) => name) });
    }
    if (question && feedback) {
      tell(sites, { from: "dice trail", what: "answered", question: question.number, result: feedback.result, score: table.score });
    }
    if (ending) {
      const { score, percent } = table;
      tell(sites, { from: "dice trail", what: "ended", ending: ending.title, score, percent, seconds: run.at / 1000 });
    }
  }, [run, table, sites]);

  useEffect(() => {
    if (sites.length === 0 || window.parent === window) return;
    const watch = new ResizeObserver(() =>
      tell(sites, { from: "dice trail", what: "size", height: document.documentElement.scrollHeight }),
    );
    watch.observe(document.body);
    return () => watch.disconnect();
  }, [sites]);
}

/** A browser hands it on to the page around this one only where that is of the site it is for. */
function tell(sites: string[], told: Told) {
  tellHome(told);
  if (window.parent === window) return;
  for (const site of sites) window.parent.postMessage(told, site);
}
