import { useRef, useState } from "react";
import { TextField } from "../../../ui/fields";

type WordsFieldProps = { words: string; where: string; places: string[]; onChange: (words: string) => void };

const FACTS = ["worth", "streak", "best_streak", "right_count", "asked_count", "percent", "number"];

/**
 * Words with places such as {score}. A brace that is being written is completed: Enter takes
 * the first name that fits, a press takes any; otherwise a press puts a place at the caret.
 */
export function WordsField({ words, where, places, onChange }: WordsFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const [caret, setCaret] = useState(words.length);
  const begun = /\{\w*$/.exec(words.slice(0, caret))?.[0];
  const all = [...new Set([...places, ...FACTS])];
  const fitting = begun === undefined ? all : all.filter((name) => name.startsWith(begun.slice(1)));
  const put = (name: string) => {
    const before = words.slice(0, caret - (begun?.length ?? 0)) + `{${name}}`;
    const after = words.slice(caret);
    onChange(before + (begun === undefined ? after : after.replace(/^\w*\}/, "")));
    setCaret(before.length);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(before.length, before.length);
    });
  };
  return (
    <div>
      <TextField
        label="Words"
        where={where}
        value={words}
        field={field}
        onCaret={setCaret}
        onChange={(text) => {
          setCaret(field.current?.selectionStart ?? text.length);
          onChange(text);
        }}
        onKeyDown={(event) => {
          if (event.key !== "Enter" || begun === undefined || !fitting[0]) return;
          event.preventDefault();
          put(fitting[0]);
        }}
      />
      <div role="group" aria-label="Put a place in" className="mt-1 flex flex-wrap items-center gap-1 text-sm text-soft">
        {begun === undefined ? "Put in:" : "Finish with:"}
        {fitting.map((name) => (
          <button
            key={name}
            type="button"
            onClick={() => put(name)}
            className="min-h-6 rounded border border-line px-1.5 font-mono hover:border-ink hover:bg-sun-pale"
          >
            {`{${name}}`}
          </button>
        ))}
      </div>
    </div>
  );
}
