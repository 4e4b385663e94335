import { Plus } from "lucide-react";
import { CUE_SHEETS, NEW_CUE, VALUES } from "../../../api/parts";
import { useShippedSounds } from "../../../api/sounds";
import type { Cue, GameView, Occasion, Sound } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { CUE_COLUMNS, CueLine } from "./CueLine";

const HEADS = ["When", "Said", "Heard", "", "Seen", "Holds", ""];

type CueSheetProps = {
  game: GameView;
  cues: Cue[];
  sounds: Sound[];
  /** What words can have filled in, by the event they are said at. */
  places: (isAtEnd: boolean) => string[];
  onName: (index: number, name: string) => void;
  onChange: (change: (cues: Cue[]) => Cue[]) => void;
};

/** A line for each event that has a cue, in the order of the trail; then those that only the rules play. */
export function CueSheet({ game, cues, sounds, places, onChange, onName }: CueSheetProps) {
  const shipped = useShippedSounds();
  const names = [...sounds, ...(shipped.data ?? [])].map((sound) => sound.name);
  const occasions = VALUES.Occasion.map(({ value }) => value);
  const lines = [...occasions, undefined].flatMap((occasion) =>
    cues.flatMap((cue, index) => ((occasion === undefined ? cue.on.length === 0 : cue.on.includes(occasion)) ? [{ occasion, cue, index }] : [])),
  );
  const missing = occasions.filter((occasion) => !cues.some((cue) => cue.on.includes(occasion)));
  const add = (occasion: Occasion | undefined) =>
    onChange((old) => [...old, { ...NEW_CUE, name: free(occasion ?? "cue", old), on: occasion === undefined ? [] : [occasion] }]);
  return (
    <section aria-labelledby="cues">
      <div className="flex flex-wrap items-center gap-2">
        <h3 id="cues" className="mr-auto text-lg">
          Cues
        </h3>
        <span className="text-sm text-soft">Put in a ready sheet:</span>
        {CUE_SHEETS.map((sheet) => (
          <Button key={sheet.name} className="min-h-8 px-2 text-sm" title={sheet.words} onClick={() => onChange(() => sheet.cues)}>
            {sheet.name}
          </Button>
        ))}
      </div>
      {lines.length > 0 && (
        <div aria-hidden className={`${CUE_COLUMNS} text-sm text-soft`}>
          {HEADS.map((head, place) => (
            <span key={place}>{head}</span>
          ))}
        </div>
      )}
      <ul aria-label="Cues of the game">
        {lines.map(({ occasion, cue, index }) => (
          // Cues have no identity but their place.
          <CueLine
            key={`${index} ${occasion ?? ""}`}
            cue={cue}
            at={`cues[${index}]`}
            occasion={occasion}
            places={places(occasion === "ending" || occasion === "new best score")}
            sounds={names}
            soundsAt={`/api/sounds/games/${game.id}/${game.revision}`}
            onChange={(part) => onChange((old) => old.map((one, place) => (place === index ? { ...one, ...part } : one)))}
            onName={(name) => onName(index, name)}
            onRemove={() => onChange((old) => old.toSpliced(index, 1))}
          />
        ))}
      </ul>
      <div role="group" aria-label="Events without a cue" className="mt-2 flex flex-wrap items-center gap-1.5">
        <span className="text-sm text-soft">Add another cue, for:</span>
        {missing.map((occasion) => (
          <Button key={occasion} className="min-h-8 px-2 text-sm" onClick={() => add(occasion)}>
            <Plus aria-hidden /> {occasion}
          </Button>
        ))}
        <Button className="min-h-8 px-2 text-sm" onClick={() => add(undefined)}>
          <Plus aria-hidden /> by the rules
        </Button>
      </div>
    </section>
  );
}

function free(wanted: string, cues: Cue[]): string {
  const isTaken = (name: string) => cues.some((cue) => cue.name === name);
  let name = wanted;
  for (let number = 2; isTaken(name); number += 1) name = `${wanted} ${number}`;
  return name;
}
