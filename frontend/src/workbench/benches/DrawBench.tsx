import { useDraw } from "../../api/games";
import { ChoiceField, NumberField } from "../../ui/fields";
import { ErrorNotice } from "../../ui/Notice";
import type { BenchProps } from "./Bench";

/** Which questions are asked: how many, in which order, and what these dice bring. */
export function DrawBench({ game, round, editRound, table }: BenchProps) {
  const draw = useDraw(game.id, game.revision, table.dice);
  return (
    <div className="space-y-5">
      <NumberField
        label="Questions drawn"
        value={round.draw.count}
        empty="all"
        suffix="leave empty to draw all; none comes twice"
        onChange={(count) => editRound({ draw: { ...round.draw, count } })}
      />
      <ChoiceField
        label="Order"
        value={round.draw.order}
        options={[
          { value: "shuffled", label: "Shuffled", hint: "another order with every roll of the dice" },
          { value: "written", label: "As written", hint: "the order of the pack, from its first question" },
        ]}
        onChange={(order) => editRound({ draw: { ...round.draw, order } })}
      />
      {draw.error && <ErrorNotice error={draw.error} />}
      {draw.data && !draw.error && (
        <div>
          <h3 className="text-lg">What dice {table.dice} bring</h3>
          <ol className="mt-1 divide-y divide-line border-y border-line">
            {draw.data.map((question) => (
              <li key={question.number} className="grid grid-cols-[2rem_1fr_minmax(6rem,12rem)] gap-3 py-1">
                <span className="text-right text-soft tabular-nums">{question.number}</span>
                <span className="min-w-0 truncate">{question.prompt}</span>
                <span className="truncate">
                  <b className="font-serif">{question.right_letters}</b> {question.answer}
                </span>
              </li>
            ))}
          </ol>
        </div>
      )}
    </div>
  );
}
