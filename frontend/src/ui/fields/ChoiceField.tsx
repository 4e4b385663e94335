import { RadioGroup } from "radix-ui";
import type { Value } from "../../api/parts";
import { FieldNote, useField } from "./Field";

type ChoiceFieldProps<T extends string> = {
  where?: string;
  label?: string;
  value: T;
  options: Value<T>[];
  onChange: (value: T) => void;
};

/** One of a few ways. */
export function ChoiceField<T extends string>(props: ChoiceFieldProps<T>) {
  const { value, options, onChange } = props;
  const { id, label, fault, described } = useField({ ...props, hint: "" });
  return (
    <div>
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        aria-describedby={described["aria-describedby"]}
        value={value}
        onValueChange={(chosen) => {
          const option = options.find((candidate) => candidate.value === chosen);
          if (option) onChange(option.value);
        }}
        className="grid gap-2 sm:grid-cols-2"
      >
        {options.map((option, place) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            aria-labelledby={`${id}-${place}`}
            aria-describedby={`${id}-${place}-hint`}
            className="flex items-start gap-2.5 rounded-lg border border-edge bg-card px-3 py-2 text-left data-[state=checked]:border-moss data-[state=checked]:bg-moss-pale"
          >
            <span className="mt-0.5 grid size-4.5 shrink-0 place-items-center rounded-full border-2 border-ink bg-card">
              <RadioGroup.Indicator className="size-2 rounded-full bg-ink" />
            </span>
            <span>
              <span id={`${id}-${place}`} className="block font-semibold">
                {option.label}
              </span>
              <span id={`${id}-${place}-hint`} className="block text-sm text-soft">
                {option.hint}
              </span>
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      <FieldNote id={id} fault={fault} />
    </div>
  );
}
