const PIPS = [
  [10.5, 10.5],
  [21.5, 10.5],
  [16, 16],
  [10.5, 21.5],
  [21.5, 21.5],
] as const;

/** The red-brown die: the one thing that moves. */
export function Die({ className }: { className: string }) {
  return (
    <svg viewBox="0 0 32 32" className={className} aria-hidden>
      <rect x="3" y="3" width="26" height="26" rx="6" className="fill-clay" />
      {PIPS.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r="2.6" className="fill-card" />
      ))}
    </svg>
  );
}
