import { useMutation } from "@tanstack/react-query";
import { Bookmark } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { keepRun, useKeptAnew } from "../../api/kept";
import { VALUES } from "../../api/parts";
import { Minds } from "../../app/Minds";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/fields";
import { ErrorNotice } from "../../ui/Notice";

type KeepRunProps = { gameId: string; runId: string | undefined; steps: number };

/** Keeps the run up to the step shown, with a name and why, to be played again after changes. */
export function KeepRun({ gameId, runId, steps }: KeepRunProps) {
  const [isOpen, setIsOpen] = useState(false);
  const [name, setName] = useState("");
  const [why, setWhy] = useState("");
  const [minds, setMinds] = useState(VALUES.Seen.map(({ value }) => value));
  const anew = useKeptAnew(gameId);
  const keep = useMutation({
    mutationFn: () => keepRun(gameId, runId ?? "", name.trim(), why.trim(), steps, minds),
    onSuccess: () => {
      setIsOpen(false);
      setName("");
      setWhy("");
      return anew();
    },
  });
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger asChild>
        <Button look="quiet" className="px-2" disabled={runId === undefined || steps === 0}>
          <Bookmark aria-hidden /> Keep
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          side="top"
          sideOffset={6}
          className="z-10 w-88 max-w-[90vw] rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <form
            className="space-y-3"
            onSubmit={(event) => {
              event.preventDefault();
              if (name.trim()) keep.mutate();
            }}
          >
            <h2 className="text-xl">Keep this run</h2>
            <p className="text-soft">As far as the step shown. After every change it is played again and compared.</p>
            <TextField label="Name" value={name} maxLength={80} onChange={setName} />
            <TextField label="Why it is kept" value={why} onChange={setWhy} />
            <Minds minds={minds} onChange={setMinds} />
            {keep.error && <ErrorNotice error={keep.error} />}
            <Button type="submit" look="main" disabled={!name.trim() || keep.isPending}>
              Keep it
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
