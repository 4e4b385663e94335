import { Link } from "react-router";
import { ChoiceField, NumberField, SwitchField } from "../../ui/fields";
import type { BenchProps } from "./Bench";
import { QuestionTime } from "./QuestionTime";

/** How a question is put: its choices, tries, hints and clocks. */
export function AskBench({ game, document, round, at, edit, editRound }: BenchProps) {
  const ask = round.ask;
  const set = (change: Partial<typeof ask>) => editRound({ ask: { ...ask, ...change } });
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          label="Clock of a question"
          where={`${at}.ask.seconds`}
          value={ask.seconds ?? null}
          empty="none"
          suffix="seconds"
          onChange={(seconds) => set({ seconds })}
        />
        <NumberField
          label="Clock of this round"
          where={`${at}.seconds`}
          value={round.seconds ?? null}
          empty="none"
          suffix="seconds"
          onChange={(seconds) => editRound({ seconds })}
        />
        <NumberField
          label="Clock of the game"
          where="seconds"
          value={document.seconds ?? null}
          empty="none"
          suffix="seconds"
          onChange={(seconds) => edit((old) => ({ ...old, seconds }))}
        />
      </div>
      <QuestionTime seconds={ask.seconds ?? null} holdMs={round.after.hold_ms ?? null} />
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          label="Tries for a question"
          where={`${at}.ask.tries`}
          value={ask.tries}
          empty="until right"
          suffix="1 to 20"
          onChange={(tries) => set({ tries })}
        />
        <NumberField
          label="Misses for a word"
          where={`${at}.ask.misses`}
          value={ask.misses}
          suffix="letters, 1 to 20, unless the word says its own"
          onChange={(misses) => misses !== null && set({ misses })}
        />
        <NumberField
          label="Choices shown"
          where={`${at}.ask.shown`}
          value={ask.shown ?? null}
          empty="all"
          suffix="2 to 12"
          onChange={(shown) => set({ shown })}
        />
      </div>
      <ChoiceField
        label="Order of the choices"
        value={ask.choice_order}
        options={[
          { value: "shuffled", label: "Shuffled", hint: "the right answer can stand anywhere" },
          { value: "written", label: "As written", hint: "the right answer always stands at A" },
        ]}
        onChange={(choice_order) => set({ choice_order })}
      />
      <p className="text-soft">
        A choice that must stand last, such as “none of these”, is pinned in its question:{" "}
        {game.packs
          .filter((pack) => round.packs.includes(pack.id))
          .map((pack) => (
            <Link key={pack.id} to={`/pack/${pack.id}`} className="mr-2 text-sky underline">
              {pack.title}
            </Link>
          ))}
      </p>
      <div className="grid gap-3 xl:grid-cols-2">
        <SwitchField
          label="Spread right answers"
          hint="over all places equally often"
          checked={ask.spread}
          onChange={(spread) => set({ spread })}
        />
        <SwitchField label="Hints" hint="where a question has one" checked={ask.hints} onChange={(hints) => set({ hints })} />
        <SwitchField label="Passing" hint="a question can be passed" checked={ask.passing} onChange={(passing) => set({ passing })} />
        <SwitchField
          label="Read aloud"
          hint="by a made voice, where a question has no recorded file"
          checked={ask.reads_aloud}
          onChange={(reads_aloud) => set({ reads_aloud })}
        />
      </div>
    </div>
  );
}
