import { Check } from "lucide-react";
import { mediaAt } from "../api/home";
import type { OfferedChoice } from "../api/schema";
import { Mark } from "./effects/shapes";
import { SoundPlayer } from "./SoundPlayer";
import { LOOKS, type Taken } from "./taken";
import { useSay } from "./translator";

type SlatButtonProps = {
  choice: OfferedChoice;
  isOpen: boolean;
  isRight: boolean;
  isGiven: boolean;
  /** Whether it is picked so far, where several are wanted together. */
  isPicked: boolean | undefined;
  /** How the answer given was taken. */
  taken: Taken;
  /** Whether its picture is shown as large as there is room. */
  isLarge?: boolean;
  markStamp: number | undefined;
  onPick: () => void;
};

/** One choice: a text, a picture or a sound, lettered. */
export function ChoiceButton({ choice, isOpen, isRight, isGiven, isPicked, taken, isLarge = false, markStamp, onPick }: SlatButtonProps) {
  const say = useSay();
  const look = isPicked
    ? "border-2 border-ink bg-tint"
    : isOpen
    ? "border-edge bg-card hover:bg-tint hover:border-ink"
    : isRight
      ? LOOKS.good.frame
      : isGiven
        ? LOOKS[taken].frame
        : "border-line bg-card text-soft";
  const { icon: Icon, ink } = LOOKS[taken];
  return (
    <>
      <button
        type="button"
        aria-disabled={!isOpen}
        aria-pressed={isPicked}
        onClick={isOpen ? onPick : undefined}
        className={`relative flex min-h-10 flex-wrap w-full items-center gap-3 rounded-md border px-3 py-1 text-start transition-colors aria-disabled:cursor-default ${look}`}
      >
        <span className="w-6 shrink-0 border-e border-line pe-2 font-serif text-lg font-semibold">{choice.letter}</span>
        <span dir="auto" className="min-w-24 flex-1 break-words whitespace-pre-line text-start">
          {choice.picture ? (
            <img src={mediaAt(choice.picture)} alt={say("picture choice", { letter: choice.letter })} className={`max-w-full rounded-md bg-sheet ${isLarge ? "max-h-72 w-full object-contain" : "max-h-28"}`} />
          ) : choice.sound ? (
            say("sound choice", { letter: choice.letter })
          ) : (
            choice.text
          )}
        </span>
        {markStamp !== undefined && (
          <Mark key={markStamp} taken={taken} className="effect-stamp pointer-events-none absolute inset-y-0 left-1/3 h-full" />
        )}
        {isPicked && (
          <span className="flex shrink-0 items-center gap-1 font-semibold">
            <Check className="size-5" aria-hidden /> {say("picked")}
          </span>
        )}
        {isRight && (
          <span className="flex shrink-0 items-center gap-1 font-semibold text-good">
            <Check className="size-5" aria-hidden /> {say("right answer")}
          </span>
        )}
        {isGiven && (!isRight || taken === "partly") && (
          <span className={`flex shrink-0 items-center gap-1 font-semibold ${ink}`}>
            <Icon className="size-5" aria-hidden /> {say("your answer")}
          </span>
        )}
      </button>
      {choice.sound && (
        <div className="mt-1">
          <SoundPlayer address={mediaAt(choice.sound)} name={say("sound choice", { letter: choice.letter })} />
        </div>
      )}
    </>
  );
}
