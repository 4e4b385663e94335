import { SoundPlayer } from "./SoundPlayer";
import { useSay } from "./wording";

type QuestionMediaProps = {
  picture: string;
  sound: string;
  /** Whether it is asked now, and not gone back to: then its sound plays by itself. */
  isNow?: boolean;
};

/** The picture and the sound of a question, by their digests; empty if it has none. */
export function QuestionMedia({ picture, sound, isNow = false }: QuestionMediaProps) {
  const say = useSay();
  if (!picture && !sound) return null;
  return (
    <div className="mb-4 space-y-2">
      {picture && (
        <img
          src={`/api/media/${picture}`}
          alt={say("picture of the question")}
          className="max-h-56 max-w-full rounded-md border border-line bg-sheet"
        />
      )}
      {sound && <SoundPlayer key={sound} address={`/api/media/${sound}`} name={say("sound of the question")} isByItself={isNow} />}
    </div>
  );
}
