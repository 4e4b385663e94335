import type { Effect, Table } from "../../api/schema";
import { Die } from "../../ui/Die";
import type { Played } from "../useCues";
import { Counted } from "./Counted";
import { Face, type Mood } from "./Face";
import { Heart, Leaf, Mark, Seed } from "./shapes";

type EffectsProps = {
  /** The cues that play now; of none nothing is left to see. */
  played: Played;
  mood: Mood;
  score: number;
  /** Whether the mark stands over the answer itself. */
  isMarked?: boolean;
};

/**
 * What is seen of the cues that play: laid over the table and never in the way of a press.
 * Where motion is reduced every shape stands still for that time.
 */
export function Effects({ played, mood, score, isMarked = false }: EffectsProps) {
  const effects = new Set(played.cues.map((cue) => cue.effect));
  effects.delete("none");
  if (isMarked) effects.delete("mark");
  if (effects.size === 0) return null;
  return (
    <div key={played.stamp} aria-hidden data-effects={[...effects].join(" ")} className="pointer-events-none absolute inset-0 z-10 overflow-hidden">
      {[...effects].map((effect) => (
        <Shown key={effect} effect={effect} mood={mood} score={score} scoreBefore={played.scoreBefore} />
      ))}
    </div>
  );
}

/** How the last answer was taken, for the face and the mark. */
export function moodOf(table: Table): Mood {
  const { feedback } = table;
  if (!feedback || feedback.is_good) return "glad";
  if (feedback.result === "partly") return "unsure";
  return feedback.result === "late" ? "startled" : "sad";
}

/** Down from the counters; at rest where there is least to cover. */
const FALLS = "effect-fall absolute top-2 right-6 size-9 motion-reduce:top-auto motion-reduce:right-28 motion-reduce:bottom-4";

const TAKEN = { glad: "good", unsure: "partly", sad: "bad", startled: "bad" } as const;

type ShownProps = { effect: Effect; mood: Mood; score: number; scoreBefore: number };

function Shown({ effect, mood, score, scoreBefore }: ShownProps) {
  switch (effect) {
    case "mark":
      return <Mark taken={TAKEN[mood]} className="effect-stamp absolute top-1/3 right-8 size-24" />;
    case "shake":
      return <span className="effect-edge absolute inset-0 rounded-lg border-4 border-clay" />;
    case "flash":
      return <span className="effect-flash absolute inset-0 border-4 border-sun bg-sun" />;
    case "leaves":
      return Array.from({ length: 12 }, (_, place) => (
        <Leaf
          key={place}
          className="effect-leaf absolute size-7"
          style={{ left: `${(place * 37) % 96}%`, animationDelay: `${(place % 5) * 70}ms` }}
        />
      ));
    case "token":
      return <Die className="effect-jump absolute top-8 left-6 size-14 motion-reduce:top-2 motion-reduce:left-1/2" />;
    case "heart":
      return <Heart className={FALLS} />;
    case "seed":
      return <Seed className={FALLS} />;
    case "count":
      return <Counted from={scoreBefore} to={score} />;
    case "face":
      return <Face mood={mood} className="effect-stamp absolute right-4 bottom-4 size-20" />;
    case "none":
      return null;
  }
}
