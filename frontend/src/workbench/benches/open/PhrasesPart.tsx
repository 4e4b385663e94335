import { useState } from "react";
import { useReadyPhrases } from "../../../api/dress";
import { VALUES } from "../../../api/parts";
import type { OwnPhrase, ReadyPhrase, ReadyPhrases } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { SelectField, TextField } from "../../../ui/fields";
import { ErrorNotice } from "../../../ui/Notice";
import type { BenchProps } from "../../state/props";

/** Everything the game says by itself, in its language; each phrase can be the maker's own. */
export function PhrasesPart({ document, edit }: BenchProps) {
  const ready = useReadyPhrases(document.language);
  const [wanted, setWanted] = useState("");
  const own = new Map(document.phrases.map((one) => [one.phrase, one.texts]));
  const set = (phrase: OwnPhrase["phrase"], texts: string[]) =>
    edit((old) => {
      const others = old.phrases.filter((one) => one.phrase !== phrase);
      const isOwn = texts.some((text) => text !== "");
      return { ...old, phrases: isOwn ? [...others, { phrase, texts }] : others };
    });
  const shown = ready.data?.phrases.filter((phrase) => isLike(phrase, own.get(phrase.phrase), wanted)) ?? [];
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-4">
        <SelectField
          where="language"
          value={document.language}
          options={VALUES.Language}
          onChange={(language) => edit((old) => ({ ...old, language }))}
        />
        <TextField label="Find a phrase" className="min-w-48 flex-1" value={wanted} onChange={setWanted} />
        <span className="pb-2 text-soft">{document.phrases.length} of your own</span>
      </div>
      {ready.error && <ErrorNotice error={ready.error} />}
      <ul aria-label="Phrases" className="divide-y divide-line">
        {ready.data &&
          shown.map((phrase) => (
            <PhraseRow
              key={phrase.phrase}
              phrase={phrase}
              forms={ready.data.forms}
              texts={own.get(phrase.phrase)}
              onChange={(texts) => set(phrase.phrase, texts)}
            />
          ))}
      </ul>
      {ready.data && shown.length === 0 && <p className="text-soft">No phrase has “{wanted}” in it.</p>}
    </div>
  );
}

function isLike(phrase: ReadyPhrase, own: string[] | undefined, wanted: string): boolean {
  const words = [phrase.in_english, phrase.where, ...phrase.texts, ...(own ?? [])].join(" ").toLowerCase();
  return words.includes(wanted.trim().toLowerCase());
}

type PhraseRowProps = {
  phrase: ReadyPhrase;
  forms: ReadyPhrases["forms"];
  texts: string[] | undefined;
  onChange: (texts: string[]) => void;
};

/** A phrase: where it is met, and a field for each of its forms, with the ready words until it has others. */
function PhraseRow({ phrase, forms, texts, onChange }: PhraseRowProps) {
  const written = phrase.texts.map((_, place) => texts?.[place] ?? "");
  return (
    <li className="grid grid-cols-[13rem_1fr_auto] items-start gap-x-3 gap-y-1 py-1.5">
      <span>
        <span className="line-clamp-2">{phrase.in_english}</span>
        <span className="block text-sm text-soft">{phrase.where}</span>
      </span>
      <div className="grid gap-1">
        {phrase.texts.map((text, place) => {
          const form = phrase.is_counted ? forms[place] : undefined;
          const name = form ? `${phrase.in_english}, for ${form.examples.join(", ")}` : phrase.in_english;
          return (
            // Forms have no identity but their place.
            <div key={place} className="flex items-center gap-2">
              {form && <span className="w-20 shrink-0 text-sm text-soft">for {form.examples.join(", ")} …</span>}
              <TextField
                hideLabel
                label={name}
                className="min-w-0 flex-1"
                value={written[place] ?? ""}
                placeholder={text}
                maxLength={500}
                onChange={(changed) => onChange(written.with(place, changed))}
              />
            </div>
          );
        })}
      </div>
      <Button
        look="quiet"
        className={texts ? "px-2 text-sm" : "invisible px-2 text-sm"}
        aria-label={`The ready words again: ${phrase.in_english}`}
        onClick={() => onChange([])}
      >
        Ready words
      </Button>
    </li>
  );
}
