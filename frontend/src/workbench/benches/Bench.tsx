import { lazy, Suspense, type ComponentType } from "react";
import type { Game, GameView, Round, Stop } from "../../api/schema";
import { STOP_FACES } from "../stops";
import type { Edit } from "../useDraft";
import type { TableRun } from "../useTableRun";
import { AskBench } from "./AskBench";
import { CheckBench } from "./CheckBench";
import { CueBench } from "./CueBench";
import { DrawBench } from "./DrawBench";
import { EndBench } from "./EndBench";
import { LoadBench } from "./LoadBench";
import { MoveOnBench } from "./MoveOnBench";
import { OpenBench } from "./OpenBench";

// The script's editor is large, and only this bench needs it.
const ScoreBench = lazy(() => import("./ScoreBench"));

export type BenchProps = {
  game: GameView;
  document: Game;
  round: Round;
  /** The number of the round being programmed, from 0. */
  number: number;
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

type Props = Omit<BenchProps, "round" | "editRound"> & { stop: Stop };

/** The place where the chosen stop is programmed. */
export function Bench({ stop, ...shared }: Props) {
  const face = STOP_FACES[stop];
  const Body = BENCHES[stop];
  const round = shared.document.rounds[shared.number];
  if (!round) return null;
  const editRound = (change: Partial<Round>) =>
    shared.edit((document) => ({
      ...document,
      rounds: document.rounds.map((old, index) => (index === shared.number ? { ...old, ...change } : old)),
    }));
  return (
    <section data-keeps-focus aria-labelledby="bench" className="relative flex min-h-0 flex-col overflow-auto rounded-xl border border-line bg-card/90 px-5 py-4">
      <div className="mb-4 flex flex-wrap items-baseline gap-x-3">
        <h2 id="bench" tabIndex={-1} className="text-2xl">
          {face.name}
        </h2>
        <p className="text-soft">{face.question}</p>
      </div>
      <Suspense fallback={<p>Laying out the bench…</p>}>
        <Body key={shared.number} {...shared} round={round} editRound={editRound} />
      </Suspense>
    </section>
  );
}
