import { Plus, Trash2 } from "lucide-react";
import { NEW_ENDING } from "../../api/parts";
import type { Badge, Ending } from "../../api/schema";
import { BadgePicture } from "../../table/BadgePicture";
import { Button } from "../../ui/Button";
import { ChoiceField, NumberField, SelectField, SwitchField, TextField } from "../../ui/fields";
import { OrderButtons, moved } from "../../ui/OrderButtons";
import type { BenchProps } from "./Bench";
import { optionsOf } from "./options";
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
                label="Name"
                where={`endings[${index}].title`}
                className="min-w-32 flex-1"
                value={ending.title}
                onChange={(title) => replace(index, { title })}
              />
              <SelectField
                label="Counts"
                where={`endings[${index}].counts`}
                value={ending.counts}
                options={[...new Set([...counters, ...COUNTED, ending.counts])].map((name) => [name, name])}
                onChange={(counts) => replace(index, { counts })}
              />
              <NumberField
                label="At least"
                where={`endings[${index}].at_least`}
                value={ending.at_least ?? null}
                empty="any"
                onChange={(at_least) => replace(index, { at_least })}
              />
              <NumberField
                label="At most"
                where={`endings[${index}].at_most`}
                value={ending.at_most ?? null}
                empty="any"
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
            <TextField label="Verdict" value={ending.verdict} onChange={(verdict) => replace(index, { verdict })} />
            <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
              <TextField
                label="And only when"
                where={`endings[${index}].when`}
                className="min-w-48 flex-1"
                value={ending.when}
                onChange={(when) => replace(index, { when })}
              />
              <BadgeField value={ending.badge} onChange={(badge) => replace(index, { badge })} />
              <SelectField
                label="Cue"
                where={`endings[${index}].cue`}
                value={ending.cue}
                options={optionsOf(
                  document.cues.map((cue) => cue.name),
                  ending.cue,
                )}
                onChange={(cue) => replace(index, { cue })}
              />
              <SwitchField label="At once" checked={ending.at_once} onChange={(at_once) => replace(index, { at_once })} />
              <SwitchField
                label="Can be a best"
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
        label="The best runs are those with"
        value={document.best}
        options={[
          { value: "highest score", label: "The highest score", hint: "as most games have it" },
          { value: "lowest score", label: "The lowest score", hint: "where points are penalties" },
          { value: "fastest", label: "The shortest time", hint: "among endings that can be a best" },
        ]}
        onChange={(best) => edit((old) => ({ ...old, best }))}
      />
    </div>
  );
}

const BADGES: Badge[] = ["none", "rosette", "marrow", "basket", "sprout", "trowel", "slug"];

function BadgeField({ value, onChange }: { value: Badge; onChange: (badge: Badge) => void }) {
  return (
    <label className="flex items-end gap-2">
      <span>
        <span className="mb-1 block font-semibold">Badge</span>
        <select
          value={value}
          onChange={(event) => onChange(BADGES.find((badge) => badge === event.target.value) ?? "none")}
          className="min-h-9 rounded-lg border border-edge bg-card px-2"
        >
          {BADGES.map((badge) => (
            <option key={badge}>{badge}</option>
          ))}
        </select>
      </span>
      <BadgePicture badge={value} className="size-9" />
    </label>
  );
}
