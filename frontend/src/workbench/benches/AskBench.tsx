import { useDraw } from "../../api/games";
import { ChoiceField } from "../../ui/fields";
import type { BenchProps } from "./Bench";

/** How a question is put: the order of its choices, and where the right one then falls. */
export function AskBench({ game, round, editRound, table }: BenchProps) {
  const draw = useDraw(game.id, game.revision, table.dice);
  const letters = (draw.data ?? []).flatMap((question) => Array.from(question.right_letters));
  const widest = Math.max(0, ...(draw.data ?? []).map((question) => question.choices.length));
  return (
    <div className="space-y-5">
      <ChoiceField
        label="Order of the choices"
        value={round.ask.choice_order}
        options={[
          { value: "shuffled", label: "Shuffled", hint: "the right answer can stand anywhere" },
          { value: "written", label: "As written", hint: "the right answer always stands at A" },
        ]}
        onChange={(choice_order) => editRound({ ask: { choice_order } })}
      />
      {widest > 0 && (
        <div>
          <h3 className="text-lg">Where the right answer falls with these dice</h3>
          <ul className="mt-2 max-w-md space-y-1.5">
            {Array.from("ABCDEFGH".slice(0, widest), (letter) => {
              const times = letters.filter((right) => right === letter).length;
              return (
                <li key={letter} className="grid grid-cols-[1.5rem_1fr_2rem] items-center gap-2">
                  <b className="font-serif">{letter}</b>
                  <span className="h-4 rounded-sm bg-paper">
                    <span
                      className="block h-full rounded-sm bg-moss"
                      style={{ width: `${(100 * times) / letters.length}%` }}
                    />
                  </span>
                  <span className="text-right tabular-nums">{times}</span>
                </li>
              );
            })}
          </ul>
        </div>
      )}
    </div>
  );
}
