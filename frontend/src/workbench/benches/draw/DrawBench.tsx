import { shortly } from "../../../api/dice";
import { CornerRightUp } from "lucide-react";
import { useDraw, usePlaces } from "../../../api/games";
import { VALUES } from "../../../api/parts";
import { counted, letterAt } from "../../../app/format";
import { Button } from "../../../ui/Button";
import { NumberField, SelectField, SwitchField } from "../../../ui/fields";
import { toldOf } from "../../../ui/fields/told";
import { ErrorNotice } from "../../../ui/Notice";
import type { BenchProps } from "../../state/props";
import { BarChart } from "./BarChart";
import { FilterField } from "../parts/FilterField";

/** Which questions are asked, in which order; and the draw these dice give. */
export function DrawBench({ game, round, number, at, editRound, table }: BenchProps) {
  const draw = round.draw;
  const set = (change: Partial<typeof draw>) => editRound({ draw: { ...draw, ...change } });
  const drawn = useDraw(game.id, game.revision, table.dice, number);
  const places = usePlaces(game.id, game.revision, table.dice, number);
  const facets = game.facets[number];
  const isOver = table.steps.at(-1)?.table.phase === "ended";
  const widest = Math.max(0, ...(drawn.data?.questions ?? []).map((question) => question.choices.length));
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          where={`${at}.draw.count`}
          value={draw.count}
          suffix={`of ${game.pools[number] ?? 0}, for each player`}
          onChange={(count) => set({ count })}
        />
        <SelectField
          where={`${at}.draw.order`}
          value={draw.order}
          options={VALUES.DrawOrder}
          onChange={(order) => set({ order })}
        />
        <SelectField
          where={`${at}.draw.refill`}
          value={draw.refill}
          options={VALUES.Refill}
          onChange={(refill) => set({ refill })}
        />
      </div>
      {draw.order === "weighted" && (
        <div className="flex flex-wrap gap-4">
          {draw.weights.map((weight, index) => (
            <NumberField
              key={index}
              label={`Weight of level ${index + 1}`}
              where={`${at}.draw.weights[${index}]`}
              value={weight}
              onChange={(value) => value !== null && set({ weights: draw.weights.with(index, value) })}
            />
          ))}
        </div>
      )}
      {facets && facets.topics.length > 0 && (
        <FilterField label={toldOf(`${at}.draw.topics[]`).label} tags={facets.topics} chosen={draw.topics} onChange={(topics) => set({ topics })} />
      )}
      {facets && facets.levels.length > 1 && (
        <FilterField
          label={toldOf(`${at}.draw.levels[]`).label}
          tags={facets.levels}
          chosen={draw.levels.map(String)}
          onChange={(levels) => set({ levels: levels.map(Number) })}
        />
      )}
      <SwitchField
        where={`${at}.draw.player_chooses`}
        checked={draw.player_chooses}
        onChange={(player_chooses) => set({ player_chooses })}
      />
      {drawn.error && <ErrorNotice error={drawn.error} />}
      {drawn.data && (
        <div>
          <h3 className="text-lg">
            The draw of dice {table.dice !== undefined && shortly(table.dice)}: {drawnInWords(drawn.data.length, drawn.data.questions.length)}
          </h3>
          <ol className="mt-1">
            {drawn.data.questions.map((question) => (
              <li key={question.number} className="flex items-center gap-3 border-b border-line">
                <b className="w-7 shrink-0 text-right font-serif">{question.number}</b>
                <span className="min-w-0 flex-1">{question.prompt}</span>
                <span className="max-w-48 truncate text-soft">
                  {question.right_letters && <b className="mr-1 text-moss">{question.right_letters}</b>}
                  {question.answer}
                </span>
                <Button
                  look="quiet"
                  className="min-h-6 px-1.5"
                  aria-label={`Ask question ${question.number} next`}
                  title="Ask this next"
                  disabled={!table.isAtEnd || isOver}
                  onClick={() => table.act({ action: "bring", source: question.pack, number: question.source_number }, 0)}
                >
                  <CornerRightUp aria-hidden />
                </Button>
              </li>
            ))}
          </ol>
        </div>
      )}
      {widest > 0 && places.data && (
        <BarChart
          title={`Where the right answer falls, over ${counted(places.data.rolls, "roll")}`}
          bars={places.data.times.slice(0, widest).map((value, index) => ({ name: letterAt(index), value }))}
        />
      )}
    </div>
  );
}

/** How many questions a draw has, and how many of them are listed. */
function drawnInWords(length: number | null, listed: number): string {
  if (length === null) return `the first ${listed}, and so on without end`;
  return listed < length ? `the first ${listed} of ${counted(length, "question")}` : counted(length, "question");
}
