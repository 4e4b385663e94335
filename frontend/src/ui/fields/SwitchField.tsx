import { Switch } from "radix-ui";
import { FieldNote, useField, type Labelled } from "./Field";

type SwitchFieldProps = Labelled & { checked: boolean; onChange: (checked: boolean) => void };

/** Something that is on or off. */
export function SwitchField(props: SwitchFieldProps) {
  const { id, label, note, fault, described } = useField(props);
  return (
    <div className="flex items-start gap-3">
      <Switch.Root
        id={id}
        checked={props.checked}
        onCheckedChange={props.onChange}
        aria-describedby={described["aria-describedby"]}
        className="mt-0.5 h-6 w-11 shrink-0 rounded-full border border-edge bg-card p-0.5 transition-colors data-[state=checked]:border-moss data-[state=checked]:bg-moss"
      >
        <Switch.Thumb className="block size-4.5 rounded-full bg-edge transition-transform data-[state=checked]:translate-x-5 data-[state=checked]:bg-card" />
      </Switch.Root>
      <div>
        <label htmlFor={id} className={props.hideLabel ? "sr-only" : "font-semibold"}>
          {label}
        </label>
        {!props.hideLabel && <FieldNote id={id} note={note} fault={fault} />}
      </div>
    </div>
  );
}
