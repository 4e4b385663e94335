import { useState } from "react";
import { Link } from "react-router";
import { useEvidence, type Choice, type Counted } from "../../api/evidence";
import type { GameView, EvidenceCount } from "../../api/schema";
import { Guarded } from "../../app/Guarded";
import { counted } from "../../app/format";
import { ErrorNotice } from "../../ui/Notice";
import { AnswerFiles } from "./AnswerFiles";
import { BorneOut } from "./BorneOut";
import { CameOf } from "./CameOf";
import { ChosenRuns } from "./ChosenRuns";
import { OneQuestion } from "./OneQuestion";
import { QuestionGrid } from "./QuestionGrid";
import { RightAgainstRest } from "./RightAgainstRest";
import { gravestOf } from "./verdicts";

/** What did happen: what the runs that players played say of each question and of the game. */
export default function EvidencePart({ game }: { game: GameView }) {
  const [choice, setChoice] = useState<Choice>({});
  const evidence = useEvidence(game.id, game.revision, choice);
  const [chosen, setChosen] = useState<number>();
  const told = evidence.data;
  const [behind, setBehind] = useState<Counted>();
  const open = (question: number, of: EvidenceCount) => {
    setChosen(question);
    setBehind({ question, of });
  };
  if (evidence.error) return <ErrorNotice error={evidence.error} />;
  if (!told) return <p role="status">Looking through the runs…</p>;
  const { questions } = told.evidence;
  const place = chosen !== undefined && chosen < questions.length ? chosen : gravestOf(questions);
  const question = questions[place];
  return (
    <div className="space-y-4">
      <section aria-labelledby="runs" className="flex flex-wrap items-end gap-x-5 gap-y-3 rounded-xl border border-line bg-card p-4">
        <div className="min-w-48 flex-1">
          <h2 id="runs" className="text-2xl">
            {counted(told.came.runs, "run")}
          </h2>
          <p className="text-soft" role="status">
            {told.came.ended} ended, {told.came.runs - told.came.ended} left
            {told.going_on > 0 && `, ${told.going_on} still being played`}
            {told.left_out > 0 && `, ${told.left_out} left out: they cannot be read`}
            {told.brought.map(({ file_name, runs }) => `, ${runs} of them from ${file_name}`)}
          </p>
        </div>
        <ChosenRuns told={told} choice={choice} onChange={setChoice} />
        <AnswerFiles gameId={game.id} choice={choice} />
      </section>
      {question ? (
        <>
          <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
            <QuestionGrid told={told} chosen={place} onChoose={setChosen} onCounted={open} />
            <Guarded name="the question" resetKeys={[question]}>
              <OneQuestion game={game} told={told} place={place} choice={choice} behind={behind} onBehind={setBehind} />
            </Guarded>
          </div>
          <div className="grid items-start gap-4 lg:grid-cols-2">
            <RightAgainstRest questions={questions} chosen={place} onChoose={setChosen} />
            <CameOf gameId={game.id} told={told} choice={choice} />
          </div>
          <BorneOut game={game} choice={choice} />
        </>
      ) : (
        <p>
          Nobody has played yet, as far as is chosen here. Give players the address on{" "}
          <Link to={`/players/${game.id}`} className="text-sky underline">
            the page “Players”
          </Link>
          , or bring a file of answers above.
        </p>
      )}
    </div>
  );
}
