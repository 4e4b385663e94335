import { SoundPlayer } from "./SoundPlayer";

type QuestionMediaProps = {
  picture: string;
  sound: string;
  /** Whether it is asked now, and not gone back to: then its sound plays by itself. */
  isNow?: boolean;
};

/** The picture and the sound of a question, by their digests; empty if it has none. */
export function QuestionMedia({ picture, sound, isNow = false }: QuestionMediaProps) {
  if (!picture && !sound) return null;
  return (
    <div className="mb-4 space-y-2">
      {picture && (
        <img
          src={`/api/media/${picture}`}
          alt="The picture this question is about"
          className="max-h-56 max-w-full rounded-md border border-line bg-sheet"
        />
      )}
      {sound && <SoundPlayer key={sound} address={`/api/media/${sound}`} name="the sound this question is about" isByItself={isNow} />}
    </div>
  );
}
