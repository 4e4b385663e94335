type QuestionMediaProps = { picture: string; sound: string };

/** The picture and the sound of a question, by their digests; empty if it has none. */
export function QuestionMedia({ picture, sound }: QuestionMediaProps) {
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
      {sound && <audio controls src={`/api/media/${sound}`} aria-label="The sound this question is about" className="w-full" />}
    </div>
  );
}
