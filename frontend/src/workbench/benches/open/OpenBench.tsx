import { Tabs } from "radix-ui";
import type { BenchProps } from "../../state/props";
import { LookPart } from "./look/LookPart";
import { OpeningPart } from "./OpeningPart";
import { PhrasesPart } from "./PhrasesPart";

const PARTS = [
  { id: "opening", name: "Opening and rounds", Shown: OpeningPart },
  { id: "look", name: "Look", Shown: LookPart },
  { id: "phrases", name: "Language and phrases", Shown: PhrasesPart },
];

/** How a run begins, what the game looks like, and what it says by itself. */
export function OpenBench(props: BenchProps) {
  return (
    <Tabs.Root defaultValue={PARTS[0]?.id}>
      <Tabs.List aria-label="Parts of Open" className="mb-3 flex gap-5 border-b border-line">
        {PARTS.map(({ id, name }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="-mb-px border-b-2 border-transparent py-1 font-semibold text-soft hover:text-ink data-[state=active]:border-clay data-[state=active]:text-ink"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {PARTS.map(({ id, Shown }) => (
        <Tabs.Content key={id} value={id}>
          <Shown {...props} />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
