import { mediaAt } from "../api/home";
import { SoundPlayer } from "./SoundPlayer";
import { useSay } from "./translator";

type QuestionMediaProps = {
  picture: string;
  sound: string;
  /** Whether it is asked now, and not gone back to: then its sound plays by itself. */
  isNow?: boolean;
  /** How many questions were put before: one asked anew is heard anew. */
  put?: number;
  /** Told once the sound has begun, if that is waited for. */
  onBegun?: (() => void) | undefined;
};

/** The picture and the sound of a question, by their digests; empty if it has none. */
export function QuestionMedia({ picture, sound, isNow = false, put = 0, onBegun }: QuestionMediaProps) {
  const say = useSay();
  if (!picture && !sound) return null;
  return (
    <div className="mb-4 space-y-2">
      {picture && (
        <img
          src={mediaAt(picture)}
          alt={say("picture of the question")}
          className="max-h-56 max-w-full rounded-md border border-line bg-sheet"
        />
      )}
      {sound && (
        <SoundPlayer
          key={`${sound} ${put}`}
          address={mediaAt(sound)}
          name={say("sound of the question")}
          isByItself={isNow}
          onBegun={onBegun}
        />
      )}
    </div>
  );
}
