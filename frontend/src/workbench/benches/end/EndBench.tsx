import { Plus } from "lucide-react";
import { NEW_ENDING, VALUES } from "../../../api/parts";
import type { Ending } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { ChoiceField } from "../../../ui/fields";
import { moved } from "../../../ui/OrderButtons";
import type { BenchProps } from "../../state/props";
import { countersAt, placesFor } from "../parts/places";
import { OddsLine } from "../parts/OddsLine";
import { EndingHeads, EndingRow } from "./EndingRow";
import { ScoreLine } from "./ScoreLine";

const COUNTED = ["score", "percent", "worth_percent", "right_count", "mistakes", "best_streak"];

/** The endings with the border between two of them at a score: the first one that leads to the right. */
function withBorder(endings: Ending[], left: number, right: number, score: number): Ending[] {
  return endings.map((ending, place) => {
    if (place === right) return { ...ending, at_least: score };
    return place === left && ending.at_most !== null ? { ...ending, at_most: score - 1 } : ending;
  });
}

/** The endings in order; the first that fits is taken. */
export function EndBench({ game, document, edit, rename, table }: BenchProps) {
  const endings = document.endings;
  const set = (change: (endings: Ending[]) => Ending[]) => edit((old) => ({ ...old, endings: change(old.endings) }));
  const counters = countersAt(table.steps);
  const places = placesFor(counters, true);
  return (
    <div className="space-y-2.5">
      <ScoreLine spans={game.score_spans} others={game.other_spans} endings={game.document.endings} onMove={(left, right, score) => set((old) => withBorder(old, left, right, score))} />
      <OddsLine gameId={game.id} document={document} />
      <div>
        <EndingHeads />
        <ol className="space-y-1.5">
          {endings.map((ending, index) => (
            // Endings have no identity but their place.
            <EndingRow
              key={index}
              ending={ending}
              index={index}
              count={endings.length}
              counters={[...counters, ...COUNTED]}
              places={places}
              cues={document.cues.map((cue) => cue.name)}
              onChange={(change) => set((old) => old.map((one, place) => (place === index ? { ...one, ...change } : one)))}
              onName={(title) => rename("ending", index, title)}
              onMove={(to) => set((old) => moved(old, index, to))}
              onRemove={() => set((old) => old.filter((_, place) => place !== index))}
            />
          ))}
        </ol>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button onClick={() => set((old) => [...old, NEW_ENDING])}>
          <Plus aria-hidden /> Add an ending
        </Button>
        <p className="min-w-60 flex-1 text-sm text-soft">
          They are tried from the top: the first that fits is the one.
          {!game.spans_are_whole &&
            (game.is_settling
              ? " The ways to play this game are still being followed; until then the line shows the bounds alone."
              : " There are too many ways to play this game to follow each, so the line shows the bounds alone.")}
        </p>
      </div>
      <ChoiceField
        where="best"
        value={document.best}
        options={VALUES.Best}
        onChange={(best) => edit((old) => ({ ...old, best }))}
      />
    </div>
  );
}
