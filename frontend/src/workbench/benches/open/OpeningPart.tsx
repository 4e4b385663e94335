import { Copy, Plus, Trash2 } from "lucide-react";
import { NEW_ROUND, VALUES } from "../../../api/parts";
import { Button } from "../../../ui/Button";
import { ChoiceField, NameField, NumberField, PlacesField, SelectField, SwitchField } from "../../../ui/fields";
import { OrderButtons, moved } from "../../../ui/OrderButtons";
import type { BenchProps } from "../../state/props";
import { optionsOf } from "../parts/options";
import { countersAt, placesFor } from "../parts/places";

/** How a run begins: the opening words, the players, and the rounds. */
export function OpeningPart({ document, edit, rename, table }: BenchProps) {
  const opening = document.opening;
  const set = (change: Partial<typeof opening>) =>
    edit((old) => ({ ...old, opening: { ...old.opening, ...change } }));
  const setRounds = (change: (rounds: typeof document.rounds) => typeof document.rounds) =>
    edit((old) => ({ ...old, rounds: change(old.rounds) }));
  const free = (title: string) => {
    const titles = document.rounds.map((round) => round.title);
    let number = 2;
    while (titles.includes(`${title} ${number}`)) number += 1;
    return titles.includes(title) ? `${title} ${number}` : title;
  };
  return (
    <div className="space-y-5">
      <PlacesField
        isLong
        where="opening.words"
        places={placesFor(countersAt(table.steps))}
        value={opening.words}
        onChange={(words) => set({ words })}
      />
      <div className="flex flex-wrap items-start gap-8">
        <NumberField
          where="opening.most_players"
          value={opening.most_players}
          onChange={(most_players) => most_players !== null && set({ most_players })}
        />
        <SelectField
          where="opening.narration"
          value={opening.narration}
          options={optionsOf(
            document.sounds.map((sound) => sound.name),
            opening.narration,
          )}
          onChange={(narration) => set({ narration })}
        />
      </div>
      <div className="grid gap-3 xl:grid-cols-2">
        <SwitchField where="opening.asks_names" checked={opening.asks_names} onChange={(asks_names) => set({ asks_names })} />
        <SwitchField where="opening.asks_remark" checked={opening.asks_remark} onChange={(asks_remark) => set({ asks_remark })} />
        {!opening.narration && (
          <SwitchField where="opening.reads_aloud" checked={opening.reads_aloud} onChange={(reads_aloud) => set({ reads_aloud })} />
        )}
      </div>
      <div>
        <h3 className="text-lg">Rounds</h3>
        <ol className="mt-1 space-y-2">
          {document.rounds.map((round, index) => (
            // Rounds have no identity but their place.
            <li key={index} className="flex items-center gap-2">
              <b className="w-5 font-serif text-lg">{index + 1}</b>
              <NameField
                label={`Title of round ${index + 1}`}
                where={`rounds[${index}].title`}
                hideLabel
                className="min-w-0 flex-1"
                value={round.title}
                onName={(title) => rename("round", index, title)}
              />
              <OrderButtons
                name={round.title}
                index={index}
                count={document.rounds.length}
                onMove={(to) => setRounds((rounds) => moved(rounds, index, to))}
              />
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Copy ${round.title}`}
                onClick={() =>
                  setRounds((rounds) => rounds.toSpliced(index + 1, 0, { ...round, title: free(`${round.title} copy`) }))
                }
              >
                <Copy aria-hidden />
              </Button>
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Remove ${round.title}`}
                disabled={document.rounds.length === 1}
                onClick={() => setRounds((rounds) => rounds.toSpliced(index, 1))}
              >
                <Trash2 aria-hidden />
              </Button>
            </li>
          ))}
        </ol>
        <Button
          className="mt-2"
          onClick={() =>
            setRounds((rounds) => [
              ...rounds,
              { ...NEW_ROUND, title: free(NEW_ROUND.title), packs: rounds[0]?.packs ?? [] },
            ])
          }
        >
          <Plus aria-hidden /> Add a round
        </Button>
      </div>
      {opening.most_players > 1 && (
        <SwitchField
          where="opening.equal_turns"
          checked={opening.equal_turns}
          onChange={(equal_turns) => set({ equal_turns })}
        />
      )}
      {document.rounds.length > 1 && (
        <ChoiceField
          where="opening.rounds"
          value={opening.rounds}
          options={VALUES.RoundOrder}
          onChange={(rounds) => set({ rounds })}
        />
      )}
    </div>
  );
}
