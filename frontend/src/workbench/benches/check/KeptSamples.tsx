import { Check, Trash2, TriangleAlert } from "lucide-react";
import type { Problem, Sample } from "../../../api/schema";
import { Button } from "../../../ui/Button";

type KeptSamplesProps = {
  samples: Sample[];
  problems: readonly Problem[];
  number: number;
  onForget: (index: number) => void;
};

/** Samples kept with the game, each marked if a later change alters its verdict. */
export function KeptSamples({ samples, problems, number, onForget }: KeptSamplesProps) {
  if (samples.length === 0) return null;
  return (
    <div>
      <h3 className="text-lg">Kept samples</h3>
      <ul className="mt-1 space-y-1">
        {samples.map((sample, index) => {
          const where = `rounds[${number}].check.samples[${index}]`;
          const problem = problems.find((found) => found.where === where);
          return (
            <li key={sample.prompt + sample.answer} className="flex items-center gap-2 border-b border-line py-1">
              {problem ? (
                <TriangleAlert className="size-5 shrink-0 text-clay" aria-label="Changed" />
              ) : (
                <Check className="size-5 shrink-0 text-moss" aria-label="Unchanged" />
              )}
              <span className="min-w-0 flex-1">
                <b>“{sample.answer}”</b> to “{sample.prompt}”: {sample.verdict}
                {problem && <span className="block text-clay-dark">{problem.what}</span>}
              </span>
              <Button look="quiet" className="px-2" aria-label={`Forget sample ${sample.answer}`} onClick={() => onForget(index)}>
                <Trash2 aria-hidden />
              </Button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
