import { Link } from "react-router";
import { VALUES } from "../../../api/parts";
import { ChoiceField, NumberField, SwitchField } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { QuestionTime } from "./QuestionTime";

/** How a question is put: its choices, tries, hints and clocks. */
export function AskBench({ game, document, round, at, edit, editRound }: BenchProps) {
  const ask = round.ask;
  const set = (change: Partial<typeof ask>) => editRound({ ask: { ...ask, ...change } });
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          where={`${at}.ask.seconds`}
          value={ask.seconds ?? null}
          onChange={(seconds) => set({ seconds })}
        />
        <NumberField
          where={`${at}.seconds`}
          value={round.seconds ?? null}
          onChange={(seconds) => editRound({ seconds })}
        />
        <NumberField
          where="seconds"
          value={document.seconds ?? null}
          onChange={(seconds) => edit((old) => ({ ...old, seconds }))}
        />
      </div>
      <QuestionTime
        seconds={ask.seconds ?? null}
        holdMs={round.after.hold_ms ?? null}
        onSeconds={(seconds) => set({ seconds })}
        onHold={(hold_ms) => editRound({ after: { ...round.after, hold_ms } })}
      />
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          where={`${at}.ask.tries`}
          value={ask.tries}
          onChange={(tries) => set({ tries })}
        />
        <NumberField
          where={`${at}.ask.misses`}
          value={ask.misses}
          onChange={(misses) => misses !== null && set({ misses })}
        />
        <NumberField
          where={`${at}.ask.shown`}
          value={ask.shown ?? null}
          onChange={(shown) => set({ shown })}
        />
      </div>
      <ChoiceField
        where={`${at}.ask.choice_order`}
        value={ask.choice_order}
        options={VALUES.Order}
        onChange={(choice_order) => set({ choice_order })}
      />
      <p className="text-soft">
        A choice that must stand last, such as “none of these”, is pinned in its question:{" "}
        {game.packs
          .filter((pack) => round.packs.includes(pack.id))
          .map((pack) => (
            <Link key={pack.id} to={`/pack/${pack.id}`} className="mr-2 text-sky underline">
              <bdi>{pack.title}</bdi>
            </Link>
          ))}
      </p>
      <div className="grid gap-3 xl:grid-cols-2">
        <SwitchField where={`${at}.ask.spread`} checked={ask.spread} onChange={(spread) => set({ spread })} />
        <SwitchField where={`${at}.ask.typing`} checked={ask.typing} onChange={(typing) => set({ typing })} />
        <SwitchField where={`${at}.ask.hints`} checked={ask.hints} onChange={(hints) => set({ hints })} />
        <SwitchField where={`${at}.ask.passing`} checked={ask.passing} onChange={(passing) => set({ passing })} />
        <SwitchField where={`${at}.ask.reads_aloud`} checked={ask.reads_aloud} onChange={(reads_aloud) => set({ reads_aloud })} />
        <SwitchField where={`${at}.ask.waits_for_sound`} checked={ask.waits_for_sound} onChange={(waits_for_sound) => set({ waits_for_sound })} />
      </div>
    </div>
  );
}
