import { Pin } from "lucide-react";
import { useState } from "react";
import type { Dice } from "../../../api/dice";
import { useTrial } from "../../../api/games";
import type { Sample } from "../../../api/schema";
import { letterAt } from "../../../app/format";
import { Button } from "../../../ui/Button";
import { TextField } from "../../../ui/fields";
import { ErrorNotice } from "../../../ui/Notice";

const FIRST_SAMPLES = ["b", "2", "", "dunno"];

type TryOutProps = {
  gameId: string;
  revision: number;
  dice: Dice | undefined;
  round: number;
  onKeep: (sample: Sample) => void;
};

/** Typed samples, each with its verdict, the reason and the folding, on the first question drawn. */
export function TryOut({ gameId, revision, dice, round, onKeep }: TryOutProps) {
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
