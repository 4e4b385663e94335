import { Check, TriangleAlert } from "lucide-react";
import { useLookSeen } from "../../../../api/dress";
import { FIELDS } from "../../../../api/parts";
import type { ColoursMet, Look } from "../../../../api/schema";
import { Button } from "../../../../ui/Button";
import { BOX } from "../../../../ui/fields/Field";
import { useFaultAt } from "../../../../ui/faults";

type Colours = Look["colours"];
const NAMES: (keyof Colours)[] = ["ground", "card", "ink", "accent", "right", "wrong"];

type ColoursEditorProps = { look: Look; onChange: (change: Partial<Colours>) => void };

/** The six colours a maker chooses, and whether each can be seen where it meets another. */
export function ColoursEditor({ look, onChange }: ColoursEditorProps) {
  const seen = useLookSeen(look);
  return (
    <div className="grid content-start gap-1.5">
      {NAMES.map((name) => (
        <Colour
          key={name}
          name={name}
          value={look.colours[name]}
          met={seen.data?.meetings.filter((meeting) => meeting.of === name) ?? []}
          onChange={(colour) => onChange({ [name]: colour })}
        />
      ))}
    </div>
  );
}

const IS_COLOUR = /^#[0-9a-f]{6}$/i;

type ColourProps = { name: keyof Colours; value: string; met: ColoursMet[]; onChange: (colour: string) => void };

function Colour({ name, value, met, onChange }: ColourProps) {
  const where = `look.colours.${name}`;
  const fault = useFaultAt(where);
  const told = FIELDS[where];
  const lost = met.filter((meeting) => !meeting.is_held);
  const nearest = lost[0]?.nearest;
  return (
    <div role="group" aria-label={told?.label} className="grid grid-cols-[3.5rem_auto_auto_1fr] items-center gap-x-2">
      <span className="font-semibold">{told?.label}</span>
      <input
        type="color"
        aria-label={`${told?.label ?? name}, picked`}
        value={IS_COLOUR.test(value) ? value : "#000000"}
        onChange={(event) => onChange(event.target.value)}
        className="h-9 w-11 rounded-md border border-edge bg-card p-0.5"
      />
      <input
        aria-label={`${told?.label ?? name}, written`}
        aria-invalid={fault !== undefined && met.length === 0}
        value={value}
        maxLength={7}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => onChange(event.target.value)}
        className={`${BOX} w-24 font-mono`}
      />
      <span className="flex flex-wrap items-center gap-x-2 gap-y-1">
        {met.map((meeting) => (
          <span key={meeting.on} className="flex items-center gap-1 text-sm whitespace-nowrap" title={`${meeting.what}: ${meeting.wanted} to 1 is wanted`}>
            {meeting.is_held ? (
              <Check aria-hidden className="size-4 text-moss" />
            ) : (
              <TriangleAlert aria-hidden className="size-4 text-clay" />
            )}
            {meeting.contrast.toFixed(1)} on {meeting.on}
            {!meeting.is_held && `, ${meeting.wanted} wanted`}
          </span>
        ))}
        {met.length === 0 && <span className="text-sm text-soft">{fault ?? told?.hint}</span>}
        {nearest && (
          <Button className="min-h-8 text-sm" onClick={() => onChange(nearest)}>
            <span aria-hidden className="size-4 rounded-sm border border-edge" style={{ background: nearest }} />
            Make it {nearest}
          </Button>
        )}
      </span>
    </div>
  );
}
