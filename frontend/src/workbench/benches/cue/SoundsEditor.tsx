import { Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { useBringSound, useShippedSounds } from "../../../api/sounds";
import { NEW_SOUND } from "../../../api/parts";
import type { Sound } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { FilePick } from "../../../ui/FilePick";
import { ErrorNotice } from "../../../ui/Notice";
import { SoundDesigner } from "./SoundDesigner";

type SoundsEditorProps = { sounds: Sound[]; onName: (index: number, name: string) => void; onChange: (change: (sounds: Sound[]) => Sound[]) => void };

/** The sounds of a game's own: designed from notes, copied from the ones there are, or brought. */
export function SoundsEditor({ sounds, onName, onChange }: SoundsEditorProps) {
  const [chosen, setChosen] = useState(0);
  const shipped = useShippedSounds();
  const bring = useBringSound();
  const shown = Math.min(chosen, sounds.length - 1);
  const sound = sounds[shown];
  const add = (made: Sound, wanted: string) => {
    onChange((old) => [...old, { ...made, name: free(wanted, old) }]);
    setChosen(sounds.length);
  };
  return (
    <section aria-labelledby="sounds" className="space-y-2">
      <h3 id="sounds" className="text-lg">
        Sounds of this game
      </h3>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => add(NEW_SOUND, "sound 1")}>
          <Plus aria-hidden /> Design a sound
        </Button>
        <FilePick
          label="Bring a sound file"
          accept="audio/*,.wav,.ogg,.mp3"
          busy={bring.isPending}
          onFile={(file) =>
            bring.mutate(file, {
              onSuccess: ({ digest }) => add({ ...NEW_SOUND, file: digest }, file.name.replace(/\.\w+$/, "")),
            })
          }
        />
        <label className="flex items-center gap-2">
          or begin from
          <select
            value=""
            onChange={(event) => {
              const found = shipped.data?.find(({ name }) => name === event.target.value);
              if (found) add(found, `my ${found.name}`);
            }}
            className="min-h-9 rounded-lg border border-edge bg-card px-2"
          >
            <option value="">one there is</option>
            {shipped.data?.map(({ name }) => <option key={name}>{name}</option>)}
          </select>
        </label>
      </div>
      {bring.error && <ErrorNotice error={bring.error} />}
      {sounds.length > 0 && (
        <ul aria-label="Sounds" className="flex flex-wrap gap-1.5">
          {sounds.map((one, index) => (
            // Sounds have no identity but their place.
            <li key={index} className="flex items-center rounded-md border border-line">
              <button
                type="button"
                aria-pressed={index === shown}
                onClick={() => setChosen(index)}
                className="min-h-8 rounded-md px-2.5 hover:bg-sun-pale aria-pressed:bg-moss-pale"
              >
                {one.name || "without a name"}
              </button>
              <Button
                look="quiet"
                className="min-h-8 px-1.5"
                aria-label={`Remove ${one.name}`}
                onClick={() => onChange((old) => old.toSpliced(index, 1))}
              >
                <Trash2 aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      {sound && (
        <SoundDesigner
          key={shown}
          sound={sound}
          at={`sounds[${shown}]`}
          onName={(name) => onName(shown, name)}
          onChange={(part) => onChange((old) => old.map((one, place) => (place === shown ? { ...one, ...part } : one)))}
        />
      )}
    </section>
  );
}

function free(wanted: string, sounds: Sound[]): string {
  let name = wanted;
  for (let number = 2; sounds.some((sound) => sound.name === name); number += 1) name = `${wanted.replace(/ \d+$/, "")} ${number}`;
  return name;
}
