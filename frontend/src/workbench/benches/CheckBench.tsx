import type { Dice } from "../../api/dice";
import { Pin } from "lucide-react";
import { useState } from "react";
import { useTrial } from "../../api/games";
import type { Sample } from "../../api/schema";
import { letterAt } from "../../app/format";
import { Button } from "../../ui/Button";
import { NumberField, SelectField, SwitchField, TextField } from "../../ui/fields";
import { ErrorNotice } from "../../ui/Notice";
import type { BenchProps } from "./Bench";
import { KeptSamples } from "./KeptSamples";

const FIRST_SAMPLES = ["b", "2", "", "dunno"];

/** What counts as an answer, and a strip to try some out on. */
export function CheckBench({ game, round, number, at, editRound, table }: BenchProps) {
  const check = round.check;
  const set = (change: Partial<typeof check>) => editRound({ check: { ...check, ...change } });
  return (
    <div className="space-y-5">
      <div className="grid gap-3 xl:grid-cols-2">
        <SwitchField label="By letter" hint="“b” and “B” both name choice B" checked={check.by_letter} onChange={(by_letter) => set({ by_letter })} />
        <SwitchField label="By place" hint="“2” names the second choice" checked={check.by_place} onChange={(by_place) => set({ by_place })} />
        <SwitchField
          label="By its whole text"
          hint="typed in full; extra spaces never matter"
          checked={check.by_text}
          onChange={(by_text) => set({ by_text })}
        />
        <SwitchField
          label="Capitals do not matter"
          hint="“carrot” is “Carrot”"
          checked={check.ignore_case}
          onChange={(ignore_case) => set({ ignore_case })}
        />
        <SwitchField
          label="Accents do not matter"
          hint="“creme” is “crème”"
          checked={check.ignore_accents}
          onChange={(ignore_accents) => set({ ignore_accents })}
        />
        <SwitchField
          label="Punctuation does not matter"
          hint="“its” is “it's”"
          checked={check.ignore_punctuation}
          onChange={(ignore_punctuation) => set({ ignore_punctuation })}
        />
      </div>
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          label="Typos forgiven"
          where={`${at}.check.typos`}
          value={check.typos}
          suffix="0 to 3; none in words under four letters"
          onChange={(typos) => typos !== null && set({ typos })}
        />
        <TextField
          label="Words that may be missing at the start"
          className="min-w-56 flex-1"
          hint="such as: a an the, or: le la l'"
          value={check.articles}
          onChange={(articles) => set({ articles })}
        />
        <SelectField
          label="Numbers of two readings"
          value={check.decimal_mark}
          options={[
            ["point", "1,250 is over a thousand, 1.250 is not"],
            ["comma", "1.250 is over a thousand, 1,250 is not"],
          ]}
          onChange={(decimal_mark) => set({ decimal_mark })}
        />
      </div>
      <p className="text-soft">
        Picking a choice always works. An answer that names no choice costs nothing and is asked for again.
      </p>
      <TryOut
        gameId={game.id}
        revision={game.revision}
        dice={table.dice}
        round={number}
        onKeep={(sample) => set({ samples: [...check.samples.filter((old) => !isSame(old, sample)), sample] })}
      />
      <KeptSamples
        samples={check.samples}
        problems={game.problems}
        number={number}
        onForget={(index) => set({ samples: check.samples.toSpliced(index, 1) })}
      />
    </div>
  );
}

function isSame(one: Sample, other: Sample): boolean {
  return one.prompt === other.prompt && one.answer === other.answer;
}

type TryOutProps = {
  gameId: string;
  revision: number;
  dice: Dice | undefined;
  round: number;
  onKeep: (sample: Sample) => void;
};

/** Typed samples, each with its verdict, the reason and the folding, on the first question drawn. */
function TryOut({ gameId, revision, dice, round, onKeep }: TryOutProps) {
  const [samples, setSamples] = useState(FIRST_SAMPLES);
  const trial = useTrial(gameId, revision, dice, round, samples);
  if (trial.error) return <ErrorNotice error={trial.error} />;
  if (!trial.data) return null;
  const { question, checked, folds } = trial.data;
  return (
    <div>
      <h3 className="text-lg">Try some answers</h3>
      <p>
        {question.prompt}{" "}
        {question.choices.map((choice, index) => (
          <span key={choice} className="mr-3 inline-block text-soft">
            <b className="font-serif text-ink">{letterAt(index)}</b> {choice}
          </span>
        ))}
      </p>
      <ul className="mt-2 space-y-1.5">
        {samples.map((sample, index) => (
          // Samples have no identity but their place, and are never moved.
          <li key={index} className="grid grid-cols-[10rem_1fr_auto] items-center gap-3">
            <TextField
              label={`Sample answer ${index + 1}`}
              hideLabel
              value={sample}
              onChange={(value) => setSamples(samples.map((old, place) => (place === index ? value : old)))}
            />
            <span aria-live="polite">
              <b className="capitalize">{checked[index]?.verdict}:</b> {checked[index]?.why}
              <span className="block text-sm text-soft">
                {(folds[index] ?? []).map((fold) => `${fold.step} “${fold.text}”`).join(" → ")}
              </span>
            </span>
            <Button
              look="quiet"
              aria-label={`Keep sample ${index + 1}`}
              onClick={() =>
                onKeep({ prompt: question.prompt, answer: sample, verdict: checked[index]?.verdict ?? "wrong" })
              }
            >
              <Pin aria-hidden /> Keep
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
