import { CircleHelp } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { useHelp } from "../api/games";
import type { HelpTopic, Stop } from "../api/schema";
import { stopName } from "../app/stops";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";

/** What a stop can do, each name of a script with an example; found by what people call it. */
export function BenchHelp({ stop }: { stop: Stop }) {
  const [find, setFind] = useState("");
  const found = useHelp(find.trim());
  const isLooking = find.trim() !== "";
  const topics = (found.data ?? []).filter((topic) => isLooking || topic.stop === stop);
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="quiet" className="px-2">
          <CircleHelp aria-hidden /> Help
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Help"
          className="z-10 flex max-h-[75vh] w-112 max-w-[90vw] flex-col rounded-lg border border-edge bg-card p-4 shadow-lg"
        >
          <label className="block font-semibold">
            Find in all of the help
            <input
              type="search"
              value={find}
              maxLength={100}
              placeholder="divide, menu, lives, timer…"
              onChange={(event) => setFind(event.target.value)}
              className="mt-1 block min-h-9 w-full rounded-lg border border-edge bg-card px-3 font-normal placeholder:text-soft"
            />
          </label>
          <p role="status" className="mt-2 text-sm text-soft">
            {isLooking ? (topics.length > 0 ? `Found: ${topics.length}.` : "Nothing was found. Try another word.") : `What ${stopName(stop)} can do:`}
          </p>
          {found.error && <ErrorNotice error={found.error} />}
          <ul className="mt-2 min-h-0 flex-1 space-y-3 overflow-auto">
            {topics.map((topic) => (
              <Topic key={`${topic.stop} ${topic.title}`} topic={topic} isElsewhere={topic.stop !== stop} />
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Topic({ topic, isElsewhere }: { topic: HelpTopic; isElsewhere: boolean }) {
  return (
    <li>
      <p>
        <b>{topic.title}</b> {isElsewhere && <span className="text-sm text-soft">at {stopName(topic.stop)}</span>}
      </p>
      <p>{topic.text}</p>
      {topic.example && (
        <pre className="mt-1 overflow-auto rounded-md border border-line bg-paper px-2 py-1 text-sm">{topic.example}</pre>
      )}
    </li>
  );
}
