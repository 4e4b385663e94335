import { VALUES } from "../../../../api/parts";
import type { Look } from "../../../../api/schema";
import { SelectField } from "../../../../ui/fields";
import type { BenchProps } from "../../../state/props";
import { ColoursEditor } from "./ColoursEditor";
import { MusicEditor } from "./MusicEditor";
import { PicturesEditor } from "./PicturesEditor";
import { ReadyLooks } from "./ReadyLooks";

/** What a game looks like: one of the ready looks, or any part of it chosen by itself. */
export function LookPart({ document, edit }: BenchProps) {
  const { look } = document;
  const set = (change: Partial<Look>) => edit((old) => ({ ...old, look: { ...old.look, ...change } }));
  return (
    <div className="space-y-4">
      <ReadyLooks look={look} onChoose={set} />
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[5fr_4fr]">
        <ColoursEditor look={look} onChange={(change) => set({ colours: { ...look.colours, ...change } })} />
        <div className="grid grid-cols-2 content-start gap-x-4 gap-y-2">
          <SelectField where="look.headings" value={look.headings} options={VALUES.Typeface} onChange={(headings) => set({ headings })} />
          <SelectField where="look.text" value={look.text} options={VALUES.Typeface} onChange={(text) => set({ text })} />
          <SelectField where="look.choices" value={look.choices} options={VALUES.ChoicesAs} onChange={(choices) => set({ choices })} />
          <SelectField where="look.picture_at" value={look.picture_at} options={VALUES.PictureAt} onChange={(picture_at) => set({ picture_at })} />
          <SelectField where="look.corner" value={look.corner} options={VALUES.Corner} onChange={(corner) => set({ corner })} />
          <SelectField where="look.density" value={look.density} options={VALUES.Density} onChange={(density) => set({ density })} />
        </div>
      </div>
      <PicturesEditor look={look} onChange={set} />
      <MusicEditor music={look.music} sounds={document.sounds} onChange={(change) => set({ music: { ...look.music, ...change } })} />
    </div>
  );
}
