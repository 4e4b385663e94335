import { useMemo, type CSSProperties, type ReactNode } from "react";
import { mediaAt } from "../api/home";
import type { Background, Dress, Look, Palette, Phase } from "../api/schema";
import { useMedia } from "../app/useMedia";
import type { Look as Light } from "./preferences";
import { WordingProvider, wordingOf } from "./translator";

type DressedProps = {
  dress: Dress;
  phase: Phase;
  /** Whether a light or a dark page is wanted. */
  light: Light;
  className?: string;
  children: ReactNode;
};

const DARK = "(prefers-color-scheme: dark)";

/** A game in its own colours, faces and words, on its background. */
export function Dressed({ dress, phase, light, className = "", children }: DressedProps) {
  const isDarkDevice = useMedia(DARK);
  const { look } = dress;
  const palette = light === "device" ? (isDarkDevice ? dress.dark : dress.own) : dress[light];
  const wording = useMemo(() => wordingOf(dress), [dress]);
  return (
    <div
      lang={dress.language}
      dir={dress.is_from_right ? "rtl" : "ltr"}
      data-dressed={palette.is_dark ? "dark" : "light"}
      className={`relative isolate bg-paper font-sans text-ink ${className}`}
      style={dressedIn(palette, look)}
    >
      <Behind background={backgroundOf(look, phase)} />
      <WordingProvider value={wording}>{children}</WordingProvider>
    </div>
  );
}

/** The background of a game while it is in a phase. */
export function backgroundOf(look: Look, phase: Phase): Background {
  return { opening: look.opening, asking: look.playing, holding: look.playing, ended: look.ending }[phase];
}

const FITS: Record<Background["fit"], string> = {
  cover: "bg-cover bg-center",
  whole: "bg-contain bg-center bg-no-repeat",
  tiled: "bg-repeat",
};

function Behind({ background }: { background: Background }) {
  if (!background.picture) return null;
  return (
    <div
      aria-hidden
      data-background
      className={`absolute inset-0 -z-10 forced-colors:hidden ${FITS[background.fit]}`}
      style={{ backgroundImage: `url("${mediaAt(background.picture)}")` }}
    >
      <div className="size-full bg-paper" style={{ opacity: background.dimmed / 100 }} />
    </div>
  );
}

const FACES: Record<Look["text"], string> = {
  bookish: '"Brygada 1918 Variable", "Rubik Variable", Georgia, serif',
  plain: '"Atkinson Hyperlegible Next Variable", "Rubik Variable", system-ui, sans-serif',
  round: '"Rubik Variable", system-ui, sans-serif',
  "by hand": '"Shantell Sans Variable", "Rubik Variable", cursive',
  even: '"Source Code Pro Variable", "Rubik Variable", monospace',
};

/** How far corners are rounded, and how wide a step of room is: in rem. */
const CORNERS: Record<Look["corner"], [number, number, number]> = {
  square: [0, 0, 0],
  slight: [0.375, 0.5, 0.75],
  round: [0.9, 1.1, 1.6],
};
const ROOM: Record<Look["density"], number> = { close: 0.2, usual: 0.25, wide: 0.32 };

function dressedIn(palette: Palette, look: Look): CSSProperties {
  const [medium, large, largest] = CORNERS[look.corner];
  const variables: Record<`--${string}`, string> = {
    "--color-paper": palette.paper,
    "--color-card": palette.card,
    "--color-ink": palette.ink,
    "--color-soft": palette.soft,
    "--color-line": palette.line,
    "--color-edge": palette.edge,
    "--color-tint": palette.tint,
    "--color-note": palette.tint,
    "--color-accent": palette.accent,
    "--color-accent-strong": palette.accent_strong,
    "--color-on-accent": palette.on_accent,
    "--color-focus": palette.focus,
    "--color-good": palette.right,
    "--color-good-pale": palette.right_pale,
    "--color-bad": palette.wrong,
    "--color-bad-pale": palette.wrong_pale,
    "--font-serif": FACES[look.headings],
    "--font-sans": FACES[look.text],
    "--radius-md": `${medium}rem`,
    "--radius-lg": `${large}rem`,
    "--radius-xl": `${largest}rem`,
    "--spacing": `${ROOM[look.density]}rem`,
  };
  return { ...variables, colorScheme: palette.is_dark ? "dark" : "light" };
}
