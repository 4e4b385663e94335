import { useRef, useState, type PointerEvent } from "react";
import { mediaAt } from "../api/home";
import { usePicture } from "../api/packs";
import type { AreaDrawn, Question } from "../api/schema";
import { AreaShape } from "../table/AreaShape";
import { pointAt, type Point } from "../table/places";
import { Button } from "../ui/Button";
import { SelectField, TextField } from "../ui/fields";

type Field = "right" | "wrong";
type Outline = AreaDrawn["outline"];

const FIELDS: { value: Field; label: string }[] = [
  { value: "right", label: "right" },
  { value: "wrong", label: "wrong" },
];

const OUTLINES: { value: Outline; label: string }[] = [
  { value: "rectangle", label: "rectangle" },
  { value: "ellipse", label: "ellipse" },
  { value: "polygon", label: "polygon" },
];

type AreasEditorProps = { packId: string; question: Question; onChange: (question: Question, field: string) => void };

/** The areas of a picture, drawn over it. What is drawn is written among the right or the wrong answers, where it can be changed by keys. */
export function AreasEditor({ packId, question, onChange }: AreasEditorProps) {
  const { data: drawn } = usePicture(packId, question);
  const frame = useRef<HTMLDivElement>(null);
  const [field, setField] = useState<Field>("right");
  const [outline, setOutline] = useState<Outline>("rectangle");
  const [name, setName] = useState("");
  const [points, setPoints] = useState<Point[]>([]);
  const at = (event: PointerEvent): Point | undefined =>
    frame.current ? pointAt(frame.current.getBoundingClientRect(), event.clientX, event.clientY) : undefined;
  const finish = (numbers: number[]) => {
    const called = name.trim() || `area ${question.right.length + question.wrong.length + 1}`;
    const text = `${called} = ${outline} ${numbers.map((number) => number / 10).join(" ")}`;
    onChange({ ...question, [field]: [...question[field].filter(Boolean), text] }, `${field}-drawn`);
    setPoints([]);
    setName("");
  };
  if (!drawn?.picture) return <p className="text-soft">Bring a picture, or name one below; then draw its areas here.</p>;
  const isPolygon = outline === "polygon";
  const [from, to] = points;
  const box = from && to && [Math.min(from[0], to[0]), Math.min(from[1], to[1]), Math.max(from[0], to[0]), Math.max(from[1], to[1])];
  return (
    <fieldset className="space-y-2 rounded-lg border border-line p-3">
      <legend className="px-1 font-semibold">Areas of the picture</legend>
      <div className="flex flex-wrap items-end gap-3">
        <TextField label="Name of the next area" className="w-40" value={name} onChange={setName} />
        <SelectField label="It is" value={field} options={FIELDS} onChange={setField} />
        <SelectField
          label="Outline"
          value={outline}
          options={OUTLINES}
          onChange={(chosen) => {
            setOutline(chosen);
            setPoints([]);
          }}
        />
      </div>
      <p className="text-soft">
        {isPolygon ? "Tap its corners one after the other, then close it." : "Draw it over the picture, from corner to corner."} By keys: write it
        among the answers, as hive = rectangle 10 20 40 60, in percent from the left and the top.
      </p>
      <div
        ref={frame}
        data-areas
        className="relative inline-block max-w-full cursor-crosshair touch-none rounded-md border border-edge bg-sheet select-none"
        onPointerDown={(event) => {
          const point = at(event);
          if (!point) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          setPoints(isPolygon ? [...points, point] : [point, point]);
        }}
        onPointerMove={(event) => {
          const point = at(event);
          if (!isPolygon && from && point && event.buttons) setPoints([from, point]);
        }}
        onPointerUp={() => {
          const [left = 0, top = 0, right = 0, bottom = 0] = box ?? [];
          if (isPolygon) return;
          if (right - left > 5 && bottom - top > 5) finish([left, top, right, bottom]);
          else setPoints([]);
        }}
      >
        <img src={mediaAt(drawn.picture)} alt="The picture with its areas" draggable={false} className="block max-w-full rounded-md" />
        <svg aria-hidden viewBox="0 0 1000 1000" preserveAspectRatio="none" className="pointer-events-none absolute inset-0 size-full">
          {drawn.areas.map((area) => (
            <AreaShape key={`${area.field} ${area.number}`} outline={area.outline} numbers={area.numbers} isRight={area.field === "right"} />
          ))}
          {isPolygon && points.length > 0 && <AreaShape outline="polygon" numbers={points.flat()} isRight={field === "right"} />}
          {!isPolygon && box && <AreaShape outline={outline} numbers={box} isRight={field === "right"} />}
        </svg>
        {drawn.areas.map((area) => (
          <span
            key={`${area.field} ${area.number}`}
            className="pointer-events-none absolute -translate-1/2 rounded border border-line bg-card/90 px-1 text-sm whitespace-nowrap"
            style={{ left: `${middle(area.numbers, 0) / 10}%`, top: `${middle(area.numbers, 1) / 10}%` }}
          >
            {area.field === "right" ? "✓" : "✗"} {area.name}
          </span>
        ))}
      </div>
      {isPolygon && (
        <div className="flex gap-2">
          <Button disabled={points.length < 3} onClick={() => finish(points.flat())}>
            Close it
          </Button>
          <Button disabled={points.length === 0} onClick={() => setPoints(points.slice(0, -1))}>
            Take back a corner
          </Button>
        </div>
      )}
    </fieldset>
  );
}

/** The middle of an outline, across for 0 and down for 1. */
function middle(numbers: number[], way: 0 | 1): number {
  const found = numbers.filter((_, at) => at % 2 === way);
  return (Math.min(...found) + Math.max(...found)) / 2;
}
