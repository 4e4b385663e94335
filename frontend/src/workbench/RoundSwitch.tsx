import { useSearchParams } from "react-router";
import type { Round } from "../api/schema";

type RoundSwitchProps = { rounds: Round[]; chosen: number };

/** Which round the trail shows. */
export function RoundSwitch({ rounds, chosen }: RoundSwitchProps) {
  const [, setSearch] = useSearchParams();
  return (
    <div className="flex w-36 shrink-0 flex-col justify-center gap-1 pl-4">
      <label htmlFor="round" className="text-sm text-soft [@media(max-height:899px)]:sr-only">
        Round {chosen + 1} of {rounds.length}
      </label>
      <select
        id="round"
        value={chosen}
        onChange={(event) =>
          setSearch((now) => {
            now.set("round", String(Number(event.target.value) + 1));
            return now;
          })
        }
        className="min-h-9 w-full rounded-lg border border-edge bg-card px-2 font-serif font-semibold"
      >
        {rounds.map((round, index) => (
          // Rounds have no identity but their place.
          <option key={index} value={index}>
            {round.title || `Round ${index + 1}`}
          </option>
        ))}
      </select>
    </div>
  );
}
