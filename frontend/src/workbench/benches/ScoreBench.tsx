import { NumberField } from "../../ui/fields";
import { Notice } from "../../ui/Notice";
import type { BenchProps } from "./Bench";

/** What an answer adds to the score. */
export function ScoreBench({ game, round, editRound }: BenchProps) {
  const score = round.score;
  const spans = game.score_spans;
  const lowest = spans[0]?.lowest ?? 0;
  const highest = spans[spans.length - 1]?.highest ?? 0;
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap gap-8">
        <NumberField
          label="A right answer is worth"
          value={score.right}
          suffix="points"
          onChange={(right) => right !== null && editRound({ score: { ...score, right } })}
        />
        <NumberField
          label="A wrong answer is worth"
          value={score.wrong}
          suffix="points; a minus takes away"
          onChange={(wrong) => wrong !== null && editRound({ score: { ...score, wrong } })}
        />
      </div>
      <p>Every run starts at 0.</p>
      <Notice>
        As the game now stands, a run ends with a score from <b>{lowest}</b> to <b>{highest}</b>.
      </Notice>
    </div>
  );
}
