import { lazy, Suspense, useEffect, type ComponentType } from "react";
import type { Game, GameView, Round, Stop } from "../../api/schema";
import { roundOf, STOP_FACES, stopOf } from "../stops";
import type { Edit } from "../useDraft";
import type { TableRun } from "../useTableRun";
import { AskBench } from "./AskBench";
import { BenchFaults } from "./BenchFaults";
import { CheckBench } from "./CheckBench";
import { CueBench } from "./CueBench";
import { DrawBench } from "./DrawBench";
import { EndBench } from "./EndBench";
import { LoadBench } from "./LoadBench";
import { MoveOnBench } from "./MoveOnBench";
import { OpenBench } from "./OpenBench";

// The script's editor is large, and only this bench needs it: it is fetched once another is laid out.
const fetchScoreBench = () => import("./ScoreBench");
const ScoreBench = lazy(fetchScoreBench);

export type BenchProps = {
  game: GameView;
  document: Game;
  round: Round;
  /** The number of the round being programmed, from 0. */
  number: number;
  /** Where the round stands in the document, as problems name it. */
  at: string;
  edit: Edit;
  /** Changes some of the round's rules and leaves the rest. */
  editRound: (change: Partial<Round>) => void;
  table: TableRun;
};

const BENCHES: Record<Stop, ComponentType<BenchProps>> = {
  load: LoadBench,
  open: OpenBench,
  draw: DrawBench,
  ask: AskBench,
  check: CheckBench,
  score: ScoreBench,
  cue: CueBench,
  "move on": MoveOnBench,
  end: EndBench,
};

/** What benches show themselves: the script's lines, samples tried before, a pack's rows. */
const TOLD_IN_PLACE = /^script|\.check\.samples|^packs/;

type Props = Omit<BenchProps, "round" | "at" | "editRound"> & { stop: Stop };

/** The place where the chosen stop is programmed. */
export function Bench({ stop, ...shared }: Props) {
  const face = STOP_FACES[stop];
  const Body = BENCHES[stop];
  const round = shared.document.rounds[shared.number];
  useEffect(() => void fetchScoreBench(), []);
  if (!round) return null;
  const editRound = (change: Partial<Round>) =>
    shared.edit((document) => ({
      ...document,
      rounds: document.rounds.map((old, index) => (index === shared.number ? { ...old, ...change } : old)),
    }));
  const problems = shared.game.problems.filter(
    ({ where }) =>
      !TOLD_IN_PLACE.test(where) && stopOf(where) === stop && (roundOf(where) ?? shared.number) === shared.number,
  );
  return (
    <section data-keeps-focus aria-labelledby="bench" className="relative flex min-h-0 flex-col overflow-auto rounded-xl border border-line bg-card/90 px-5 py-4">
      <div className="mb-4 flex flex-wrap items-baseline gap-x-3">
        <h2 id="bench" tabIndex={-1} className="text-2xl">
          {face.name}
        </h2>
        <p className="text-soft">{face.question}</p>
      </div>
      <Suspense fallback={<p>Laying out the bench…</p>}>
        <BenchFaults key={`${stop} ${shared.number}`} problems={problems}>
          <Body {...shared} round={round} at={`rounds[${shared.number}]`} editRound={editRound} />
        </BenchFaults>
      </Suspense>
    </section>
  );
}
