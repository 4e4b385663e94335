const ENDINGS = ["tsv", "csv", "txt", "xlsx", "json", "yaml"];

/** Files to fill in, one question of every kind in each. */
export function Templates() {
  return (
    <p className="text-soft">
      Files to fill in, with a question of every kind:{" "}
      {ENDINGS.map((ending) => (
        <a key={ending} className="mr-3 text-sky underline" href={`/api/templates/questions.${ending}`} download>
          {ending.toUpperCase()}
        </a>
      ))}
    </p>
  );
}
