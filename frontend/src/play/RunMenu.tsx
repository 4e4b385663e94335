import { EllipsisVertical } from "lucide-react";
import { Popover } from "radix-ui";
import { useSay } from "../table/translator";
import { Button } from "../ui/Button";
import type { Play } from "./usePlay";

type RunMenuProps = { play: Play; canBegin: boolean; asksNames: boolean; hasEnded: boolean };

/** What a player can do with a whole run: begin anew, say other names, leave it. */
export function RunMenu({ play, canBegin, asksNames, hasEnded }: RunMenuProps) {
  const say = useSay();
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="quiet" className="px-2" aria-label={say("this run")} title={say("this run")}>
          <EllipsisVertical aria-hidden />
        </Button>
      </Popover.Trigger>
      <Popover.Content align="end" sideOffset={4} className="z-10 grid gap-1 rounded-lg border border-edge bg-card p-2 shadow-lg">
        {canBegin && (
          <Popover.Close asChild>
            <Button look="quiet" onClick={play.anew}>
              {say("begin anew")}
            </Button>
          </Popover.Close>
        )}
        {canBegin && asksNames && (
          <Popover.Close asChild>
            <Button look="quiet" onClick={play.rename}>
              {say("other names")}
            </Button>
          </Popover.Close>
        )}
        {!hasEnded && (
          <Popover.Close asChild>
            <Button look="quiet" onClick={() => play.act({ action: "quit" })}>
              {say("leave")}
            </Button>
          </Popover.Close>
        )}
      </Popover.Content>
    </Popover.Root>
  );
}
