import { useMutation } from "@tanstack/react-query";
import { ListChecks } from "lucide-react";
import { useState } from "react";
import { keepReady, useHeld, useKept, useKeptAnew } from "../../api/kept";
import type { GameView, KeptCard } from "../../api/schema";
import { counted } from "../../app/format";
import { Button } from "../../ui/Button";
import { ErrorNotice } from "../../ui/Notice";
import { SideBySide } from "./SideBySide";
import { KeptRow } from "./KeptRow";

/** What must still happen: kept runs, each played again in the game as it is now. */
export default function KeptPart({ game }: { game: GameView }) {
  const kept = useKept(game.id);
  const held = useHeld(game.id, game.revision);
  const anew = useKeptAnew(game.id);
  const ready = useMutation({ mutationFn: () => keepReady(game.id), onSuccess: anew });
  const [opened, setOpened] = useState<KeptCard>();
  const byId = new Map(held.data?.runs.map((one) => [one.id, one]));
  const holding = held.data?.runs.filter(({ holds }) => holds).length;
  return (
    <div className="space-y-4">
      <section aria-labelledby="kept" className="rounded-xl border border-line bg-card p-4">
        <div className="mb-2 flex flex-wrap items-end gap-3">
          <div className="mr-auto">
            <h2 id="kept" className="text-2xl">
              Kept runs
            </h2>
            <p className="text-soft" role="status">
              {held.isFetching || holding === undefined
                ? held.error
                  ? "They wait until the game has no faults."
                  : "They are played again…"
                : `${holding} of ${counted(held.data?.runs.length ?? 0, "run")} hold in version ${held.data?.revision}.`}
            </p>
          </div>
          <Button disabled={ready.isPending} onClick={() => ready.mutate()}>
            <ListChecks aria-hidden /> {ready.isPending ? "Playing them…" : "Keep the ready runs"}
          </Button>
        </div>
        {(kept.error ?? held.error ?? ready.error) && <ErrorNotice error={kept.error ?? held.error ?? ready.error} />}
        {kept.data?.length === 0 && (
          <p>
            None yet. Keep the ready ones (all right, all wrong, all late, right and wrong in turns, one to each ending), or any run you play:
            “Keep” stands beside the footprints.
          </p>
        )}
        <ul>
          {kept.data?.map((run) => (
            <KeptRow key={run.id} game={game} run={run} held={byId.get(run.id)} onCompare={() => setOpened(run)} onChanged={anew} />
          ))}
        </ul>
      </section>
      {opened && <SideBySide key={opened.id} game={game} run={opened} onClose={() => setOpened(undefined)} />}
    </div>
  );
}
