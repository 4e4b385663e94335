import { Dialog } from "radix-ui";
import { Button } from "../ui/Button";

const KEYS: [string, string][] = [
  ["[ and ]", "go to the stop before and after"],
  ["A to H, 1 to 8", "answer at the table"],
  ["Enter", "move on at the table"],
  ["N", "roll new dice"],
  ["?", "show these keys"],
];

type ShortcutsProps = { isOpen: boolean; onOpenChange: (isOpen: boolean) => void };

/** The keys that work everywhere on the workbench but in a field. */
export function Shortcuts({ isOpen, onOpenChange }: ShortcutsProps) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-20 right-4 z-10 rounded-lg border border-edge bg-card p-5 shadow-lg"
        >
          <Dialog.Title className="text-xl">Keys</Dialog.Title>
          <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button className="mt-4">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
