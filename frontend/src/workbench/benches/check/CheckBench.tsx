import { NEW_ROUND, VALUES } from "../../../api/parts";
import type { Sample } from "../../../api/schema";
import { NumberField, SelectField, SwitchField, TextField } from "../../../ui/fields";
import type { BenchProps } from "../../state/props";
import { countsParts } from "../parts/countsParts";
import { KeptSamples } from "./KeptSamples";
import { TryOut } from "./TryOut";

/** What counts as an answer, and a strip to try some out on. */
export function CheckBench({ game, round, number, at, editRound, table }: BenchProps) {
  const check = round.check;
  const set = (change: Partial<typeof check>) => editRound({ check: { ...check, ...change } });
  return (
    <div className="space-y-4">
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
      <div className="grid gap-3 xl:grid-cols-2">
        <SwitchField where={`${at}.check.by_letter`} checked={check.by_letter} onChange={(by_letter) => set({ by_letter })} />
        <SwitchField where={`${at}.check.by_place`} checked={check.by_place} onChange={(by_place) => set({ by_place })} />
        <SwitchField where={`${at}.check.by_text`} checked={check.by_text} onChange={(by_text) => set({ by_text })} />
        <SwitchField where={`${at}.check.ignore_case`} checked={check.ignore_case} onChange={(ignore_case) => set({ ignore_case })} />
        <SwitchField where={`${at}.check.ignore_accents`} checked={check.ignore_accents} onChange={(ignore_accents) => set({ ignore_accents })} />
        <SwitchField where={`${at}.check.ignore_punctuation`} checked={check.ignore_punctuation} onChange={(ignore_punctuation) => set({ ignore_punctuation })} />
      </div>
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        <NumberField
          where={`${at}.check.typos`}
          value={check.typos}
          onChange={(typos) => typos !== null && set({ typos })}
        />
        {check.typos > 1 && (
          <SwitchField where={`${at}.check.typos_anyway`} checked={check.typos_anyway} onChange={(typos_anyway) => set({ typos_anyway })} />
        )}
        <TextField
          where={`${at}.check.articles`}
          className="min-w-56 flex-1"
          value={check.articles}
          onChange={(articles) => set({ articles })}
        />
        <SelectField
          where={`${at}.check.decimal_mark`}
          value={check.decimal_mark}
          options={VALUES.DecimalMark}
          onChange={(decimal_mark) => set({ decimal_mark })}
        />
        <SelectField
          where={`${at}.check.partly`}
          value={check.partly}
          options={VALUES.PartlyRight}
          onChange={(partly) => set({ partly })}
        />
        <SelectField
          where={`${at}.check.order_share`}
          value={check.order_share}
          options={VALUES.OrderShare}
          onChange={(order_share) => set({ order_share })}
        />
        <SelectField
          where={`${at}.check.estimate_share`}
          value={check.estimate_share}
          options={VALUES.EstimateShare}
          onChange={(estimate_share) => set({ estimate_share })}
        />
        {check.estimate_share !== NEW_ROUND.check.estimate_share && (
          <NumberField
            where={`${at}.check.estimate_reach`}
            value={check.estimate_reach}
            onChange={(estimate_reach) => estimate_reach !== null && set({ estimate_reach })}
          />
        )}
        {countsParts(check) && (
          <NumberField
            where={`${at}.check.right_from`}
            value={check.right_from}
            onChange={(right_from) => right_from !== null && set({ right_from })}
          />
        )}
      </div>
      <p className="text-soft">
        Picking a choice always works. An answer that names no choice costs nothing and is asked for again.
      </p>
    </div>
  );
}

function isSame(one: Sample, other: Sample): boolean {
  return one.prompt === other.prompt && one.answer === other.answer;
}
