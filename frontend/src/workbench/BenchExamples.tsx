import { Sprout } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { useExamples, usePutExampleIn } from "../api/games";
import type { Game, Stop } from "../api/schema";
import { STOP_FACES } from "../app/stops";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";
import type { Edit } from "../draft/gameDraft";
import { merge } from "../draft/merge";

type BenchExamplesProps = { stop: Stop; document: Game; number: number; edit: Edit };

/** What a bench decides, shown by small examples that are put in with one click. */
export function BenchExamples({ stop, document, number, edit }: BenchExamplesProps) {
  const examples = useExamples();
  const putIn = usePutExampleIn();
  const [isOpen, setIsOpen] = useState(false);
  const here = examples.data?.filter((example) => example.stop === stop) ?? [];
  if (here.length === 0) return null;
  const put = (name: string) =>
    putIn.mutate(
      { name, document, round: number },
      {
        onSuccess: (made) => {
          setIsOpen(false);
          edit((now) => merge(document, now, made).document);
        },
      },
    );
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>
        <Button look="quiet" className="ml-auto px-2">
          <Sprout aria-hidden /> For example
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="For example"
          className="z-10 w-96 max-w-[90vw] rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <p className="mb-3 text-soft">
            {STOP_FACES[stop].question} What is put in can be changed after, and undone.
          </p>
          <ul className="space-y-3">
            {here.map((example) => (
              <li key={example.name} className="flex items-start gap-3">
                <p className="min-w-0 flex-1">
                  <b className="font-semibold">{example.name}</b>: {example.words}
                </p>
                <Button aria-label={`Put in: ${example.name}`} disabled={putIn.isPending} onClick={() => put(example.name)}>
                  Put in
                </Button>
              </li>
            ))}
          </ul>
          {putIn.error && <ErrorNotice error={putIn.error} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
