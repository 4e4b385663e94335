type BarChartProps = { title: string; bars: { name: string; value: number }[] };

/** Counts as bars, each with its name and its number. */
export function BarChart({ title, bars }: BarChartProps) {
  const total = Math.max(1, bars.reduce((sum, bar) => sum + bar.value, 0));
  return (
    <figure>
      <figcaption className="font-serif text-lg font-semibold">{title}</figcaption>
      <ul className="mt-2 max-w-md space-y-1.5">
        {bars.map((bar) => (
          <li key={bar.name} className="grid grid-cols-[1.5rem_1fr_3rem] items-center gap-2">
            <b className="font-serif">{bar.name}</b>
            <span className="h-4 rounded-sm bg-paper">
              <span className="block h-full rounded-sm bg-moss" style={{ width: `${(100 * bar.value) / total}%` }} />
            </span>
            <span className="text-right tabular-nums">{bar.value}</span>
          </li>
        ))}
      </ul>
    </figure>
  );
}
