import { answersSaver } from "../api/home";
import { useSay } from "../table/translator";

/** What is kept of a player, and where, told before they play. */
export function KeptOfYou() {
  const say = useSay();
  return <p className="mt-4 text-center text-sm text-soft text-pretty">{say(answersSaver() ? "kept here" : "kept of you")}</p>;
}
