import { useRef, useState } from "react";
import type { Labelled } from "./Field";
import { TextAreaField } from "./TextAreaField";
import { TextField } from "./TextField";

type PlacesFieldProps = Labelled & { value: string; places: string[]; isBrief?: boolean; isLong?: boolean; className?: string; onChange: (words: string) => void };

/**
 * Words with places such as {score}. A brace that is being written is completed: Enter takes
 * the first name that fits, a press takes any; otherwise a press puts a place at the caret.
 * With `|` and forms after a name, the form that goes with the number is said. A brief one shows the places only
 * while a brace is being written, or once they are asked for: what stands under it is never covered by itself.
 */
export function PlacesField(props: PlacesFieldProps) {
  const { value: words, places, onChange } = props;
  const field = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  const Words = props.isLong ? TextAreaField : TextField;
  const [caret, setCaret] = useState(words.length);
  const [isAsked, setIsAsked] = useState(false);
  const begun = /\{[^{}]*$/.exec(words.slice(0, caret))?.[0];
  const start = begun?.slice(1).toLocaleLowerCase() ?? "";
  const fitting = places.filter((name) => name.toLocaleLowerCase().startsWith(start));
  const put = (name: string) => {
    const before = words.slice(0, caret - (begun?.length ?? 0)) + `{${name}}`;
    const after = words.slice(caret);
    onChange(before + (begun === undefined ? after : after.replace(/^[^{}]*\}/, "")));
    setCaret(before.length);
    setIsAsked(false);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(before.length, before.length);
    });
  };
  const isOpen = begun !== undefined || isAsked;
  return (
    <div
      className={`group/places relative min-w-0 ${props.className ?? ""}`}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && setIsAsked(false)}
      onKeyDown={(event) => {
        if (event.key === "Escape") setIsAsked(false);
      }}
    >
      <Words
        {...props}
        className=""
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
      {props.isBrief && (
        <button
          type="button"
          aria-label="What can be filled in"
          title="What can be filled in"
          aria-expanded={isOpen}
          onClick={() => setIsAsked(!isAsked)}
          className="absolute top-1.5 right-1.5 hidden min-h-6 rounded bg-card px-1 font-mono text-sm text-sky group-focus-within/places:block hover:bg-sun-pale"
        >
          {"{…}"}
        </button>
      )}
      <div role="group" aria-label="Put a place in" className={`flex-wrap items-center gap-1 text-sm text-soft ${props.isBrief ? `absolute inset-x-0 top-full z-10 mt-0.5 hidden rounded-lg border border-edge bg-card p-1.5 shadow-lg ${isOpen ? "group-focus-within/places:flex" : ""}` : "mt-1 flex"}`}>
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
