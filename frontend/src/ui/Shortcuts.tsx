import { Dialog } from "radix-ui";
import { Button } from "./Button";

type ShortcutsProps = { keys: [string, string][]; isOpen: boolean; onOpenChange: (isOpen: boolean) => void };

/** The keys that work everywhere on a page but in a field. */
export function Shortcuts({ keys, isOpen, onOpenChange }: ShortcutsProps) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-20 right-4 z-10 rounded-lg border border-edge bg-card p-5 shadow-lg"
        >
          <Dialog.Title className="text-xl">Keys</Dialog.Title>
          <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
            {keys.map(([key, does]) => (
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
