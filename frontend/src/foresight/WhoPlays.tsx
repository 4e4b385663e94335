import { useId } from "react";
import { useLikeness } from "../api/evidence";
import { useTimes } from "../api/foresight";
import { SCOUTS, VALUES } from "../api/parts";
import type { Scout } from "../api/schema";
import { Button } from "../ui/Button";
import { NumberField, SecondsField, SelectField, SwitchField, TextField } from "../ui/fields";
import { toldOf } from "../ui/fields/told";
import { ShareChart } from "./charts/ShareChart";

type WhoPlaysProps = { gameId: string; scouts: Scout[]; mostPlayers: number; onChange: (scouts: Scout[]) => void };

/** The scouts who are to play, one for each player. */
export function WhoPlays({ gameId, scouts, mostPlayers, onChange }: WhoPlaysProps) {
  const last = scouts.at(-1);
  const likeness = useLikeness(gameId).data;
  const ready = likeness ? [...SCOUTS, likeness] : SCOUTS;
  return (
    <section aria-labelledby="who" className="space-y-4 rounded-xl border border-line bg-card p-4">
      <h2 id="who" className="text-2xl">
        Who plays
      </h2>
      {scouts.map((scout, place) => (
        // Players have no identity but their turn.
        <OneScout
          key={place}
          whose={scouts.length > 1 ? `Player ${place + 1}` : "Every player is"}
          scout={scout}
          ready={ready}
          onChange={(next) => onChange(scouts.map((one, other) => (other === place ? next : one)))}
        />
      ))}
      {mostPlayers > 1 && (
        <p className="flex gap-2">
          {scouts.length < mostPlayers && last && <Button onClick={() => onChange([...scouts, last])}>One more player</Button>}
          {scouts.length > 1 && <Button onClick={() => onChange(scouts.slice(0, -1))}>One fewer</Button>}
        </p>
      )}
    </section>
  );
}

type OneScoutProps = { whose: string; scout: Scout; ready: Scout[]; onChange: (scout: Scout) => void };

function OneScout({ whose, scout, ready, onChange }: OneScoutProps) {
  const group = useId();
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{whose}</legend>
      {ready.map((one) => (
        <label key={one.name} className="flex items-center gap-2 py-0.5">
          <input
            type="radio"
            name={group}
            checked={scout.name === one.name}
            onChange={() => onChange(one)}
            className="size-4.5 accent-moss"
          />
          {one.name}
        </label>
      ))}
      <Curve scout={scout} />
      <details className="mt-2 rounded-lg border border-line px-3 py-2">
        <summary className="cursor-pointer font-semibold">Change this scout</summary>
        <div className="mt-2 space-y-3">
          <Numbers scout={scout} onChange={onChange} />
        </div>
      </details>
    </fieldset>
  );
}

function Curve({ scout }: { scout: Scout }) {
  const times = useTimes(scout.median_ms, scout.spread).data;
  if (!times) return null;
  const shares = times.shares.map((share, place) => ({ at: place * times.step_seconds, share }));
  return (
    <div className="mt-2">
      <ShareChart title="When answers come" axis="seconds" shares={shares} kind="area" of="of the answers" />
    </div>
  );
}

/** The percentages of a scout that are numbers of their own. */
const PERCENTAGES = ["again", "partly", "close", "passes", "hints", "helped"] as const;
const TIMES = ["median_ms", "letter_ms", "goes_on_ms"] as const;

function Numbers({ scout, onChange }: { scout: Scout; onChange: (scout: Scout) => void }) {
  const set = (change: Partial<Scout>) => onChange({ ...scout, ...change });
  const { right } = scout;
  return (
    <>
      <fieldset>
        <legend className="mb-1 font-semibold">Right at the first try, in percent</legend>
        <div className="flex flex-wrap gap-2">
          {right.map((percentage, level) => (
            // Levels have no identity but their place.
            <NumberField
              key={level}
              where={`scout.right[${level}]`}
              label={`Level ${level + 1}`}
              suffix=""
              value={percentage}
              onChange={(next) => next !== null && set({ right: right.map((one, place) => (place === level ? next : one)) })}
            />
          ))}
        </div>
      </fieldset>
      <SwitchField where="scout.guesses" checked={scout.guesses} onChange={(guesses) => set({ guesses })} />
      {PERCENTAGES.map((name) => (
        <NumberField key={name} where={`scout.${name}`} value={scout[name]} onChange={(next) => next !== null && set({ [name]: next })} />
      ))}
      {TIMES.map((name) => (
        <div key={name}>
          <p className="mb-1 font-semibold">{toldOf(`scout.${name}`).label}</p>
          <SecondsField where={`scout.${name}`} ms={scout[name]} onChange={(ms) => set({ [name]: ms })} />
        </div>
      ))}
      <OwnQuestions scout={scout} onChange={(own) => set({ own })} />
      <NumberField where="scout.spread" value={scout.spread} onChange={(spread) => spread !== null && set({ spread })} />
      <SelectField where="scout.picks" value={scout.picks} options={VALUES.Habit} onChange={(picks) => set({ picks })} />
    </>
  );
}

const HALF = 50;

/** Questions at which a scout does otherwise than at others of their level. */
function OwnQuestions({ scout, onChange }: { scout: Scout; onChange: (own: Scout["own"]) => void }) {
  const { own } = scout;
  const replace = (place: number, change: Partial<(typeof own)[number]>) =>
    onChange(own.map((one, other) => (other === place ? { ...one, ...change } : one)));
  return (
    <fieldset className="space-y-2">
      <legend className="mb-1 font-semibold">Single questions</legend>
      {own.map((one, place) => (
        // Rows have no identity but their place.
        <div key={place} className="space-y-1 border-l-2 border-line pl-2">
          <TextField where={`scout.own[${place}].prompt`} value={one.prompt} onChange={(prompt) => replace(place, { prompt })} />
          <NumberField where={`scout.own[${place}].right`} value={one.right} onChange={(right) => right !== null && replace(place, { right })} />
          <Button onClick={() => onChange(own.filter((_, other) => other !== place))}>Take it out</Button>
        </div>
      ))}
      <Button onClick={() => onChange([...own, { prompt: "", right: HALF }])}>Add a question</Button>
    </fieldset>
  );
}
