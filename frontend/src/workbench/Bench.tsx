import { FileCode } from "lucide-react";
import { lazy, Suspense, useEffect, type ComponentType } from "react";
import type { Round, Stop } from "../api/schema";
import { STOP_FACES } from "../app/stops";
import { AskBench } from "./benches/ask/AskBench";
import { BenchExamples } from "./BenchExamples";
import { BenchHelp } from "./BenchHelp";
import { BenchFaults } from "./BenchFaults";
import { CheckBench } from "./benches/check/CheckBench";
import { CueBench } from "./benches/cue/CueBench";
import { DrawBench } from "./benches/draw/DrawBench";
import { EndBench } from "./benches/end/EndBench";
import { LoadBench } from "./benches/load/LoadBench";
import { MoveOnBench } from "./benches/move-on/MoveOnBench";
import { OpenBench } from "./benches/open/OpenBench";
import { Button } from "../ui/Button";
import type { BenchProps } from "./state/props";

// The script's editor is large, and only this bench needs it: it is fetched once another is laid out.
const fetchScoreBench = () => import("./benches/score/ScoreBench");
const ScoreBench = lazy(fetchScoreBench);

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

type Props = Omit<BenchProps, "round" | "at" | "editRound"> & { stop: Stop; onPython: () => void };

/** The place where the chosen stop is programmed. */
export function Bench({ stop, onPython, ...shared }: Props) {
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
    (problem) => !problem.is_shown_there && (shared.game.is_begun || problem.stop !== "load") && problem.stop === stop && (problem.round ?? shared.number) === shared.number,
  );
  return (
    <section data-keeps-focus aria-labelledby="bench" className="relative flex min-h-0 flex-col overflow-auto rounded-xl border border-line bg-card/90 px-5 py-3">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h2 id="bench" tabIndex={-1} className="text-2xl">
          {face.name}
        </h2>
        <p className="text-soft">{face.question}</p>
        <BenchExamples key={stop} stop={stop} document={shared.document} number={shared.number} edit={shared.edit} />
        <BenchHelp key={`help ${stop}`} stop={stop} />
        <Button look="quiet" className="px-2" onClick={onPython}>
          <FileCode aria-hidden /> As Python
        </Button>
      </div>
      <Suspense fallback={<p>Laying out the bench…</p>}>
        <BenchFaults key={`${stop} ${shared.number}`} problems={problems}>
          <Body {...shared} round={round} at={`rounds[${shared.number}]`} editRound={editRound} />
        </BenchFaults>
      </Suspense>
    </section>
  );
}
