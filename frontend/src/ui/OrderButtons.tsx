import { ArrowDown, ArrowUp } from "lucide-react";
import { Button } from "./Button";

type OrderButtonsProps = { name: string; index: number; count: number; onMove: (to: number) => void };

/** Moves one thing of a row up and down. */
export function OrderButtons({ name, index, count, onMove }: OrderButtonsProps) {
  return (
    <span className="flex">
      <Button look="quiet" className="px-2" aria-label={`Move ${name} up`} disabled={index === 0} onClick={() => onMove(index - 1)}>
        <ArrowUp aria-hidden />
      </Button>
      <Button
        look="quiet"
        className="px-2"
        aria-label={`Move ${name} down`}
        disabled={index === count - 1}
        onClick={() => onMove(index + 1)}
      >
        <ArrowDown aria-hidden />
      </Button>
    </span>
  );
}

/** The row with the thing at one place moved to another. */
export function moved<T>(row: T[], from: number, to: number): T[] {
  const next = [...row];
  next.splice(to, 0, ...next.splice(from, 1));
  return next;
}
