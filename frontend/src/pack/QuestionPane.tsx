import { useMutation } from "@tanstack/react-query";
import { usePreview } from "../api/packs";
import { NEW_LOOK, NUMBER_DETAILS, TEXT_DETAILS, VALUES } from "../api/parts";
import type { Question, RowFault } from "../api/schema";
import { Asking } from "../table/Asking";
import { Button } from "../ui/Button";
import { NumberField, SelectField, TextField } from "../ui/fields";
import { FilePick } from "../ui/FilePick";
import { ErrorNotice, Notice } from "../ui/Notice";
import { AreasEditor } from "./AreasEditor";
import { withDetails } from "./columns";

type QuestionPaneProps = {
  packId: string;
  row: number;
  question: Question;
  faults: RowFault[];
  onMedium: (file: File) => Promise<void>;
  onChange: (question: Question, field: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
};

const nothing = () => undefined;

/** The current question: what is wrong with it, how its player sees it, and all it carries. */
export function QuestionPane(props: QuestionPaneProps) {
  const { row, question, faults, onChange, onDuplicate, onDelete } = props;
  const bring = useMutation({
    mutationFn: async (file: File) => {
      await props.onMedium(file);
      const field = file.type.startsWith("audio/") ? "sound" : "picture";
      onChange(withDetails(question, { [field]: file.name }), field);
    },
  });
  const preview = usePreview(props.packId, question);
  const shown = preview.data?.question;
  return (
    <aside aria-label={`Question ${row + 1}`} className="space-y-4 overflow-auto rounded-xl border border-line bg-card p-4">
      <div className="flex items-center gap-2">
        <h2 className="mr-auto text-xl">Question {row + 1}</h2>
        <Button onClick={onDuplicate}>Duplicate</Button>
        <Button onClick={onDelete}>Delete</Button>
      </div>
      {faults.length > 0 && (
        <Notice tone="wrong">
          <ul className="space-y-1">
            {faults.map((fault) => (
              <li key={fault.field + fault.what}>
                <b>{fault.what}</b>. To mend it, {fault.mend}.
              </li>
            ))}
          </ul>
        </Notice>
      )}
      {preview.data && shown && !preview.error && (
        <section aria-label="As its player sees it" inert className="rounded-lg border border-edge p-3">
          <Asking table={preview.data} look={NEW_LOOK} question={shown} elapsed={0} onAction={nothing} />
        </section>
      )}
      <SelectField
        label="Kind"
        value={question.kind}
        options={VALUES.Kind}
        onChange={(kind) => onChange({ ...question, kind }, "kind")}
      />
      <ListFields
        label="Right answer"
        texts={question.right}
        onChange={(right, number) => onChange({ ...question, right }, `right-${number}`)}
      />
      {question.kind === "match" && <p className="text-soft">Each is an item and what belongs to it: bee = honey.</p>}
      {question.kind === "place" && <AreasEditor packId={props.packId} question={question} onChange={onChange} />}
      {question.kind === "gaps" && (
        <>
          <p className="text-soft">
            The question has a blank, ___, for each gap; here is what fits each: egg | an egg. Behind // stand wrong words to pick from: honey // milk | wax.
          </p>
          <SelectField
            label="Gaps are"
            value={question.details.filled}
            options={VALUES.Filled}
            onChange={(filled) => onChange(withDetails(question, { filled }), "filled")}
          />
        </>
      )}
      {(question.kind === "choice" || question.kind === "place") && question.right.length > 1 && (
        <SelectField
          label="Of the right answers"
          value={question.details.needs}
          options={VALUES.Needs}
          onChange={(needs) => onChange(withDetails(question, { needs }), "needs")}
        />
      )}
      <ListFields
        label="Wrong choice"
        texts={question.wrong}
        onChange={(wrong, number) => onChange({ ...question, wrong }, `wrong-${number}`)}
      />
      {question.wrong.length > 0 && (
        <div className="space-y-2">
          {question.wrong.map((wrong, number) => (
            // Replies have no identity but their place.
            <TextField
              key={number}
              label={`Said to ${wrong || `wrong choice ${number + 1}`}`}
              value={question.replies[number] ?? ""}
              onChange={(text) => onChange({ ...question, replies: withText(question.replies, number, text) }, `replies-${number}`)}
            />
          ))}
        </div>
      )}
      <div className="flex gap-3">
        {NUMBER_DETAILS.filter(({ name }) => name !== "misses" || question.kind === "letters").map(({ name, label }) => (
          <NumberField
            key={name}
            label={label}
            value={question.details[name] ?? null}
            empty="none"
            onChange={(value) => onChange(withDetails(question, { [name]: value }), name)}
          />
        ))}
      </div>
      <FilePick
        label="Bring a picture or sound"
        accept="image/*,audio/*"
        busy={bring.isPending}
        onFile={(file) => bring.mutate(file)}
      />
      {bring.error && <ErrorNotice error={bring.error} />}
      {TEXT_DETAILS.filter(({ name }) => !OF_SCALES.has(name) || question.kind === "estimate").map(({ name, label }) => (
        <TextField
          key={name}
          label={label}
          value={question.details[name]}
          onChange={(text) => onChange(withDetails(question, { [name]: text }), name)}
        />
      ))}
    </aside>
  );
}

/** The details that only an estimate has. */
const OF_SCALES = new Set<string>(["least", "most", "step", "unit"]);

/** Texts with one of them changed, and without the empty ones at the end. */
function withText(texts: string[], number: number, text: string): string[] {
  const next = Array.from({ length: Math.max(texts.length, number + 1) }, (_, place) => (place === number ? text : (texts[place] ?? "")));
  while (next.length > 0 && next[next.length - 1] === "") next.pop();
  return next;
}

type ListFieldsProps = {
  label: string;
  texts: string[];
  onChange: (texts: string[], number: number) => void;
};

/** Several texts of one kind, and a field for one more. */
function ListFields({ label, texts, onChange }: ListFieldsProps) {
  return (
    <div className="space-y-2">
      {[...texts, ""].map((text, number) => (
        <TextField
          key={number}
          label={number < texts.length ? `${label} ${number + 1}` : `Another ${label.toLowerCase()}`}
          value={text}
          onChange={(changed) => onChange(withText(texts, number, changed), number)}
        />
      ))}
    </div>
  );
}
