import { Undo2 } from "lucide-react";
import { useState } from "react";
import { beginStudy, giveStudyUp, turnKnob, useKnobs, useGivenUpOnLeaving, useStudy } from "../api/foresight";
import type { Game, GameView, Scout } from "../api/schema";
import { percent } from "../app/format";
import { useGameDraft } from "../draft/useGameDraft";
import { Button } from "../ui/Button";
import { SelectField } from "../ui/fields";
import { ErrorNotice } from "../ui/Notice";
import { Progress } from "./Progress";
import { TurnedChart } from "./charts/TurnedChart";

const WISHES = [10, 20, 25, 30, 40, 50, 60, 70, 75, 80, 90];

/** One number of the game over a range, and what it does to an ending. */
export function WhatIf({ game, scouts }: { game: GameView; scouts: Scout[] }) {
  const knobs = useKnobs(game.id, game.revision).data ?? [];
  const [key, setKey] = useState("");
  const [ending, setEnding] = useState(0);
  const [wish, setWish] = useState(50);
  const [studyId, setStudyId] = useState<string>();
  const [failure, setFailure] = useState<unknown>();
  const study = useStudy(game.id, studyId, ending, wish / 100).data;
  useGivenUpOnLeaving(game.id, studyId);
  const chosen = knobs.find(({ knob }) => knob.key === key) ?? knobs[0];
  const endings = game.document.endings;
  const title = endings[ending]?.title ?? "";
  if (!chosen || endings.length === 0) return null;
  const { knob, values } = chosen;
  const shareOf = (turned: NonNullable<typeof study>["turned"][number]) => turned.forecast.endings[ending]?.share.share ?? 0;
  const points = (study?.turned ?? []).map((turned) => ({ at: turned.value, share: shareOf(turned) }));
  const found = study?.found ? { at: study.found.value, share: shareOf(study.found) } : undefined;
  const begin = () => {
    setFailure(undefined);
    beginStudy(game.id, { scouts, key: knob.key, games: 1 }).then((begun) => setStudyId(begun.id), setFailure);
  };
  return (
    <section aria-labelledby="what-if" className="rounded-xl border border-line bg-card p-4">
      <h2 id="what-if" className="mb-2 text-2xl">
        What if
      </h2>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="this number were another"
          value={knob.key}
          options={knobs.map((one) => ({ value: one.knob.key, label: `${one.knob.label}: ${one.knob.value}` }))}
          onChange={(next) => {
            setKey(next);
            setStudyId(undefined);
          }}
        />
        <SelectField
          label="how many come to"
          value={String(ending)}
          options={endings.map((one, place) => ({ value: String(place), label: one.title }))}
          onChange={(next) => setEnding(Number(next))}
        />
        <SelectField
          label="and how many should"
          value={String(wish)}
          options={WISHES.map((one) => ({ value: String(one), label: `${one} %` }))}
          onChange={(next) => setWish(Number(next))}
        />
        <Button onClick={begin}>
          Try {values[0]} to {values.at(-1)}
        </Button>
      </div>
      {failure !== undefined && <ErrorNotice error={failure} />}
      {study && studyId !== undefined && (
        <>
          <Progress of={study} thing="values" onGiveUp={() => void giveStudyUp(game.id, studyId)} />
          {points.length > 1 && <TurnedChart axis={knob.label} ending={title} points={points} now={knob.value} wanted={wish / 100} found={found} />}
        </>
      )}
      {found && study?.is_over && <Found game={game} knobKey={knob.key} label={knob.label} now={knob.value} title={title} found={found} wish={wish} />}
    </section>
  );
}

type FoundProps = {
  game: GameView;
  knobKey: string;
  label: string;
  now: number;
  title: string;
  found: { at: number; share: number };
  wish: number;
};

/** The nearest value, to be set with one click and taken back with another. */
function Found({ game, knobKey, label, now, title, found, wish }: FoundProps) {
  const { draft, document } = useGameDraft(game);
  const [set, setSet] = useState<Game>();
  const [failure, setFailure] = useState<unknown>();
  const turn = async () => {
    await draft.saved();
    const turned = await turnKnob(game.id, knobKey, found.at);
    draft.endStep();
    draft.edit(() => turned);
    setSet(draft.document);
    await draft.saved();
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3">
      <p>
        Nearest to {wish} %: <b>{label}</b> at <b>{found.at}</b> brings {percent(found.share)} to <bdi>{title}</bdi>.
      </p>
      {found.at !== now && (
        <Button look="main" onClick={() => void turn().catch(setFailure)}>
          Set it to {found.at}
        </Button>
      )}
      {set !== undefined && set === document && (
        <Button onClick={draft.undo}>
          <Undo2 aria-hidden /> Undo
        </Button>
      )}
      {failure !== undefined && <ErrorNotice error={failure} />}
    </div>
  );
}
