import { Download, Play, Plus, Trash2 } from "lucide-react";
import { useMadeSound } from "../../../api/sounds";
import { VALUES } from "../../../api/parts";
import type { Note, Sound, SoundMade } from "../../../api/schema";
import { decode, play } from "../../../table/hearing";
import { SoundPlayer } from "../../../table/SoundPlayer";
import { Button } from "../../../ui/Button";
import { NameField, NumberField, SelectField, TextField } from "../../../ui/fields";

type SoundDesignerProps = { sound: Sound; at: string; onName: (name: string) => void; onChange: (part: Partial<Sound>) => void };

/** A sound from notes: drawn as the wave it makes, played, and saved as a file. */
export function SoundDesigner({ sound, at, onName, onChange }: SoundDesignerProps) {
  const made = useMadeSound(sound);
  const setNote = (index: number, part: Partial<Note>) =>
    onChange({ notes: sound.notes.map((note, place) => (place === index ? { ...note, ...part } : note)) });
  return (
    <div className="space-y-3 rounded-lg border border-line p-3">
      <div className="flex flex-wrap items-end gap-3">
        <NameField where={`${at}.name`} className="w-48" value={sound.name} onName={onName} />
        {sound.file ? (
          <SoundPlayer address={`/api/media/${sound.file}`} name={sound.name} />
        ) : (
          <>
            <Button disabled={!made.data} onClick={() => made.data && void decode(bytesOf(made.data)).then(play)}>
              <Play aria-hidden /> Hear it
            </Button>
            <Button disabled={!made.data} onClick={() => made.data && save(sound.name, made.data)}>
              <Download aria-hidden /> Save as WAV
            </Button>
          </>
        )}
      </div>
      {!sound.file && (
        <>
          {made.data && <Drawn made={made.data} />}
          <ol aria-label="Notes" className="flex flex-wrap gap-2">
            {sound.notes.map((note, index) => (
              // Notes have no identity but their place.
              <li key={index} className="flex items-end gap-1.5 rounded-md border border-line p-1.5">
                <TextField
                  label={`Note ${index + 1}`}
                  where={`${at}.notes[${index}].pitch`}
                  className="w-18"
                  value={note.pitch}
                  onChange={(pitch) => setNote(index, { pitch })}
                />
                <NumberField
                  label={`Length of note ${index + 1}`}
                  hideLabel
                  where={`${at}.notes[${index}].ms`}
                  value={note.ms}
                  suffix="ms"
                  onChange={(ms) => ms !== null && setNote(index, { ms })}
                />
                <Button
                  look="quiet"
                  className="px-1.5"
                  aria-label={`Remove note ${index + 1}`}
                  disabled={sound.notes.length === 1}
                  onClick={() => onChange({ notes: sound.notes.toSpliced(index, 1) })}
                >
                  <Trash2 aria-hidden />
                </Button>
              </li>
            ))}
            <li className="self-center">
              <Button onClick={() => onChange({ notes: [...sound.notes, sound.notes.at(-1) ?? { pitch: "A4", ms: 200 }] })}>
                <Plus aria-hidden /> Add a note
              </Button>
            </li>
          </ol>
          <p className="text-sm text-soft">A note is a letter and an octave, C2 to C8, with # or b: A4, C#5, Bb3. Empty is a rest.</p>
          <div className="flex flex-wrap items-start gap-x-5 gap-y-3">
            <SelectField where={`${at}.wave`} value={sound.wave} options={VALUES.Wave} onChange={(wave) => onChange({ wave })} />
            <NumberField
              where={`${at}.attack_ms`}
              value={sound.attack_ms}
              onChange={(attack_ms) => attack_ms !== null && onChange({ attack_ms })}
            />
            <NumberField
              where={`${at}.release_ms`}
              value={sound.release_ms}
              onChange={(release_ms) => release_ms !== null && onChange({ release_ms })}
            />
            <NumberField
              where={`${at}.loudness`}
              value={sound.loudness}
              onChange={(loudness) => loudness !== null && onChange({ loudness })}
            />
          </div>
        </>
      )}
    </div>
  );
}

/** The form of a sound, from its lowest and highest samples. */
function Drawn({ made }: { made: SoundMade }) {
  const top = made.highest.map((value, place) => `${place},${-value}`);
  const bottom = made.lowest.map((value, place) => `${place},${-value}`).reverse();
  return (
    <figure>
      <svg
        viewBox={`0 -1 ${made.highest.length} 2`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`The wave of this sound, ${made.seconds.toFixed(2)} seconds`}
        className="h-20 w-full rounded-md border border-line bg-paper"
      >
        <polygon points={[...top, ...bottom].join(" ")} className="fill-sky" />
      </svg>
      <figcaption className="text-right text-sm text-soft">{made.seconds.toFixed(2)} seconds</figcaption>
    </figure>
  );
}

function bytesOf(made: SoundMade): ArrayBuffer {
  return Uint8Array.from(atob(made.wav), (character) => character.charCodeAt(0)).buffer;
}

function save(name: string, made: SoundMade) {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([bytesOf(made)], { type: "audio/wav" }));
  link.download = `${name || "sound"}.wav`;
  link.click();
  URL.revokeObjectURL(link.href);
}
