import type { ComponentProps } from "react";

const LOOKS = {
  main: "bg-accent text-on-accent border-accent hover:bg-accent-strong",
  plain: "bg-card text-ink border-edge hover:bg-tint",
  quiet: "bg-transparent text-ink border-transparent hover:bg-tint",
};

type ButtonProps = ComponentProps<"button"> & { look?: keyof typeof LOOKS };

/** A button. `main` is for the one main action of a view. */
export function Button({ look = "plain", className = "", ...rest }: ButtonProps) {
  return <button type="button" className={`${buttonLook(look)} ${className}`} {...rest} />;
}

/** The look of a button, for links that do a button's work. */
export function buttonLook(look: keyof typeof LOOKS = "plain") {
  return `inline-flex min-h-9 items-center justify-center gap-2 rounded-lg border px-3 py-1 font-semibold whitespace-nowrap transition-colors disabled:cursor-default disabled:opacity-50 [&_svg]:size-4.5 [&_svg]:shrink-0 ${LOOKS[look]}`;
}
