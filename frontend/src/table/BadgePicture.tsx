import type { ReactNode } from "react";
import type { Badge } from "../api/schema";

const DRAWN: Record<Exclude<Badge, "none">, ReactNode> = {
  rosette: (
    <>
      <path d="M38 66l-8 30 14-8 6 10M62 66l8 30-14-8-6 10" className="fill-clay-pale" />
      <path d="M50 12l9 8 12-3 4 12 12 4-3 12 8 9-8 9 3 12-12 4-4 12-12-3-9 8-9-8-12 3-4-12-12-4 3-12-8-9 8-9-3-12 12-4 4-12 12 3z" className="fill-sun" transform="scale(.82) translate(11 2)" />
      <circle cx="50" cy="46" r="17" className="fill-card" />
      <path d="M42 46l6 7 11-13" className="fill-none" />
    </>
  ),
  marrow: (
    <>
      <path d="M14 62C14 44 34 34 56 34S92 46 90 60 70 82 48 82 14 78 14 62z" className="fill-moss" />
      <path d="M20 58c18-14 46-16 64-4M18 68c20-10 48-12 68 0" className="fill-none stroke-moss-pale" />
      <path d="M86 50c4-8 4-14-2-20" className="fill-none" />
    </>
  ),
  basket: (
    <>
      <path d="M22 50C24 22 76 22 78 50" className="fill-none" />
      <circle cx="38" cy="46" r="9" className="fill-clay" />
      <circle cx="54" cy="42" r="10" className="fill-sun" />
      <circle cx="67" cy="47" r="8" className="fill-moss" />
      <path d="M14 50h72l-10 34H24z" className="fill-sun-pale" />
      <path d="M18 62h64M22 74h56M38 50l4 34M62 50l-4 34" className="fill-none" />
    </>
  ),
  sprout: (
    <>
      <path d="M50 86V46" className="fill-none" />
      <path d="M50 52C24 56 18 38 20 26c22-2 32 8 30 26zM50 46C52 28 64 18 82 22c0 16-10 28-32 24z" className="fill-moss" />
      <path d="M20 86c10-8 50-8 60 0z" className="fill-clay-pale" />
    </>
  ),
  trowel: (
    <>
      <path d="M20 80L44 56" className="fill-none stroke-clay [stroke-width:9]" />
      <path d="M42 58l10-10" className="fill-none" />
      <path d="M48 40l14 14c14 2 22-14 24-38-24 2-40 10-38 24z" className="fill-line" />
    </>
  ),
  slug: (
    <>
      <path d="M12 74c4-20 22-30 42-28 14 2 18-4 20-14 10 2 14 10 14 20 0 16-12 22-24 22z" className="fill-sun" />
      <path d="M74 32l-4-14M84 38l8-12M34 58c8-4 16-4 24 0" className="fill-none" />
      <path d="M8 82h84" className="fill-none stroke-sky [stroke-dasharray:6_5]" />
    </>
  ),
};

type BadgePictureProps = { badge: Badge; name?: string; className: string };

/** One of our own drawings for an ending; nothing for none. */
export function BadgePicture({ badge, name = "", className }: BadgePictureProps) {
  if (badge === "none") return null;
  return (
    <svg
      viewBox="0 0 100 100"
      aria-hidden={name === ""}
      role={name ? "img" : undefined}
      aria-label={name || undefined}
      data-badge={badge}
      className={`stroke-ink [stroke-linecap:round] [stroke-linejoin:round] [stroke-width:3] ${className}`}
    >
      {DRAWN[badge]}
    </svg>
  );
}
