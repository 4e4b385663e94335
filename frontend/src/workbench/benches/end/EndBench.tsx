import { Plus, Trash2 } from "lucide-react";
import { NEW_ENDING, VALUES } from "../../../api/parts";
import type { Badge, Ending } from "../../../api/schema";
import { BadgePicture } from "../../../table/BadgePicture";
import { Button } from "../../../ui/Button";
import { ChoiceField, NumberField, SelectField, SwitchField, TextField } from "../../../ui/fields";
import { OrderButtons, moved } from "../../../ui/OrderButtons";
import type { BenchProps } from "../../state/props";
import { OddsLine } from "../parts/OddsLine";
import { optionsOf } from "../parts/options";
import { ScoreLine } from "./ScoreLine";

const COUNTED = ["score", "percent", "right_count", "mistakes", "best_streak"];

/** The endings in order; the first that fits is taken. */
export function EndBench({ game, document, edit, table }: BenchProps) {
  const endings = document.endings;
  const set = (change: (endings: Ending[]) => Ending[]) => edit((old) => ({ ...old, endings: change(old.endings) }));
  const replace = (index: number, change: Partial<Ending>) =>
    set((old) => old.map((ending, place) => (place === index ? { ...ending, ...change } : ending)));
  const counters = table.steps[0]?.table.players[0]?.counters.map(({ name }) => name) ?? [];
  return (
    <div className="space-y-4">
      <ScoreLine spans={game.score_spans} endings={game.document.endings} />
      <OddsLine gameId={game.id} document={document} />
      <p className="text-soft">
        They are tried from the top: the first that fits is the one.
        {!game.spans_are_whole && " There are too many ways to play this game to follow each, so the line shows the bounds alone."}
      </p>
      <ol className="space-y-3">
        {endings.map((ending, index) => (
          // Endings have no identity but their place.
          <li key={index} className="space-y-2 rounded-lg border border-line p-3">
            <div className="flex flex-wrap items-end gap-3">
              <b className="pb-2 font-serif text-lg">{index + 1}</b>
              <TextField
                where={`endings[${index}].title`}
                className="min-w-32 flex-1"
                value={ending.title}
                onChange={(title) => replace(index, { title })}
              />
              <SelectField
                where={`endings[${index}].counts`}
                value={ending.counts}
                options={[...new Set([...counters, ...COUNTED, ending.counts])].map((name) => ({ value: name, label: name }))}
                onChange={(counts) => replace(index, { counts })}
              />
              <NumberField
                where={`endings[${index}].at_least`}
                value={ending.at_least ?? null}
                onChange={(at_least) => replace(index, { at_least })}
              />
              <NumberField
                where={`endings[${index}].at_most`}
                value={ending.at_most ?? null}
                onChange={(at_most) => replace(index, { at_most })}
              />
              <OrderButtons
                name={ending.title}
                index={index}
                count={endings.length}
                onMove={(to) => set((old) => moved(old, index, to))}
              />
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Remove ${ending.title}`}
                onClick={() => set((old) => old.filter((_, place) => place !== index))}
              >
                <Trash2 aria-hidden />
              </Button>
            </div>
            <TextField where={`endings[${index}].verdict`} value={ending.verdict} onChange={(verdict) => replace(index, { verdict })} />
            <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
              <TextField
                where={`endings[${index}].when`}
                className="min-w-48 flex-1"
                value={ending.when}
                onChange={(when) => replace(index, { when })}
              />
              <BadgeField where={`endings[${index}].badge`} value={ending.badge} onChange={(badge) => replace(index, { badge })} />
              <SelectField
                where={`endings[${index}].cue`}
                value={ending.cue}
                options={optionsOf(
                  document.cues.map((cue) => cue.name),
                  ending.cue,
                )}
                onChange={(cue) => replace(index, { cue })}
              />
              <SwitchField where={`endings[${index}].at_once`} checked={ending.at_once} onChange={(at_once) => replace(index, { at_once })} />
              <SwitchField
                where={`endings[${index}].counts_as_best`}
                checked={ending.counts_as_best}
                onChange={(counts_as_best) => replace(index, { counts_as_best })}
              />
            </div>
          </li>
        ))}
      </ol>
      <Button onClick={() => set((old) => [...old, NEW_ENDING])}>
        <Plus aria-hidden /> Add an ending
      </Button>
      <ChoiceField
        where="best"
        value={document.best}
        options={VALUES.Best}
        onChange={(best) => edit((old) => ({ ...old, best }))}
      />
    </div>
  );
}

type BadgeFieldProps = { where: string; value: Badge; onChange: (badge: Badge) => void };

function BadgeField(props: BadgeFieldProps) {
  return (
    <div className="flex items-end gap-2">
      <SelectField {...props} options={VALUES.Badge} />
      <BadgePicture badge={props.value} className="size-9" />
    </div>
  );
}
