type QuestionTimeProps = { seconds: number | null; holdMs: number | null };

const LAST = 5;

/** One question as a line of time: shown, the last seconds, the deadline, the hold. */
export function QuestionTime({ seconds, holdMs }: QuestionTimeProps) {
  const hold = holdMs === null ? "until Go on" : `${holdMs / 1000} s`;
  const open = seconds === null ? "no deadline" : `${seconds} s to answer`;
  const holdShare = holdMs === null ? 22 : Math.min(40, 8 + holdMs / 250);
  const end = 100 - holdShare;
  const warnings = seconds === null ? 0 : Math.min(LAST, seconds);
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">One question in time</figcaption>
      <div className="relative h-14 text-sm" aria-hidden>
        <span className="absolute top-3 h-3 rounded-l-full bg-moss" style={{ left: 0, width: `${end}%` }} />
        <span
          className={`absolute top-3 h-3 rounded-r-full ${holdMs === 0 ? "bg-line" : "bg-sun"}`}
          style={{ left: `${end}%`, width: `${holdShare}%` }}
        />
        {seconds !== null && <span className="absolute top-1 h-7 w-0.5 bg-clay" style={{ left: `${end}%` }} />}
        {Array.from({ length: warnings }, (_, tick) => (
          <span
            key={tick}
            className="absolute top-2 h-5 w-0.5 bg-clay"
            style={{ left: `${end - ((tick + 1) * end) / Math.max(seconds ?? 1, warnings)}%` }}
          />
        ))}
        <span className="absolute top-8 left-0">shown</span>
        <span className="absolute top-8" style={{ right: `${holdShare + 1}%` }}>
          {open}
        </span>
        <span className="absolute top-8 truncate pl-1" style={{ left: `${end}%` }}>
          hold {hold}
        </span>
      </div>
      <p className="sr-only">
        A question is shown with {open}, then the run holds {hold}; clocks stand still in the hold.
      </p>
    </figure>
  );
}
