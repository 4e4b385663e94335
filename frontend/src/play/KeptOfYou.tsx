import { useSay } from "../table/wording";

/** What is kept of a player, told before they play. */
export function KeptOfYou() {
  return (
    <p className="mt-4 text-center text-sm text-soft text-pretty">{useSay()("kept of you")}</p>
  );
}
