import { VALUES } from "../../../../api/parts";
import type { Background, Look } from "../../../../api/schema";
import { NumberField, SelectField, SwitchField } from "../../../../ui/fields";
import { toldOf } from "../../../../ui/fields/told";
import { PictureField } from "../../parts/PictureField";

const BACKGROUNDS = ["opening", "playing", "ending"] as const;

type PicturesEditorProps = { look: Look; onChange: (change: Partial<Look>) => void };

/** The picture at the opening, and those behind the card. */
export function PicturesEditor({ look, onChange }: PicturesEditorProps) {
  return (
    <section aria-labelledby="look-pictures">
      <h3 id="look-pictures" className="text-lg">
        Pictures
      </h3>
      <div className="mt-1 grid gap-3 sm:grid-cols-2 xl:grid-cols-4">
        <PictureField
          label={toldOf("look.opening_picture").label}
          digest={look.opening_picture}
          onChange={(opening_picture) => onChange({ opening_picture })}
        />
        {BACKGROUNDS.map((name) => {
          const set = (change: Partial<Background>) => onChange({ [name]: { ...look[name], ...change } });
          return (
            <div key={name} className="space-y-2">
              <PictureField
                label={toldOf(`look.${name}`).label}
                digest={look[name].picture}
                onChange={(picture) => set({ picture })}
              />
              {look[name].picture && (
                <>
                  <SelectField where={`look.${name}.fit`} value={look[name].fit} options={VALUES.Fit} onChange={(fit) => set({ fit })} />
                  <NumberField
                    where={`look.${name}.dimmed`}
                    value={look[name].dimmed}
                    onChange={(dimmed) => dimmed !== null && set({ dimmed })}
                  />
                </>
              )}
            </div>
          );
        })}
        <div className="space-y-2">
          <SwitchField where="look.shows_die" checked={look.shows_die} onChange={(shows_die) => onChange({ shows_die })} />
          <PictureField
            label={toldOf("look.die_picture").label}
            digest={look.die_picture}
            onChange={(die_picture) => onChange({ die_picture })}
          />
        </div>
      </div>
    </section>
  );
}
