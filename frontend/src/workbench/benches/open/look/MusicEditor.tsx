import { useShippedSounds } from "../../../../api/sounds";
import type { Look, Sound } from "../../../../api/schema";
import { NumberField, SelectField } from "../../../../ui/fields";
import { optionsOf } from "../../parts/options";

type Music = Look["music"];
type MusicEditorProps = { music: Music; sounds: Sound[]; onChange: (change: Partial<Music>) => void };

/** What sounds over and over: sounds of the game's own, made or brought at Cue. */
export function MusicEditor({ music, sounds, onChange }: MusicEditorProps) {
  const shipped = useShippedSounds();
  const names = [...sounds, ...(shipped.data ?? [])].map((sound) => sound.name);
  return (
    <section aria-labelledby="look-music">
      <h3 id="look-music" className="text-lg">
        Music
      </h3>
      <p className="text-sm text-soft">A sound that goes on and on, quieter under cues. Design one or bring a file at Cue; enlarge the table to hear it.</p>
      <div className="mt-1 flex flex-wrap items-start gap-x-5 gap-y-2">
        {(["opening", "playing", "ending"] as const).map((when) => (
          <SelectField
            key={when}
            where={`look.music.${when}`}
            value={music[when]}
            options={optionsOf(names, music[when])}
            onChange={(name) => onChange({ [when]: name })}
          />
        ))}
        <NumberField
          where="look.music.loudness"
          value={music.loudness}
          onChange={(loudness) => loudness !== null && onChange({ loudness })}
        />
      </div>
    </section>
  );
}
