import { READY_LOOKS } from "../../../../api/parts";
import type { Look } from "../../../../api/schema";

type ReadyLooksProps = { look: Look; onChoose: (change: Partial<Look>) => void };

/** The ready looks, each as a small card; pictures and music stay as they are. */
export function ReadyLooks({ look, onChoose }: ReadyLooksProps) {
  return (
    <ul aria-label="Ready looks" className="grid grid-cols-3 gap-2 xl:grid-cols-6">
      {READY_LOOKS.map(({ name, words, look: ready }) => {
        const { colours, headings, text, choices, picture_at, corner, density } = ready;
        const change = { colours, headings, text, choices, picture_at, corner, density };
        const isOn = JSON.stringify({ ...look, ...change }) === JSON.stringify(look);
        return (
          <li key={name} className="grid">
            <button
              type="button"
              aria-pressed={isOn}
              title={words}
              onClick={() => onChoose(change)}
              className="grid content-start gap-1 rounded-lg border-2 border-line p-1 text-left text-sm hover:border-edge aria-pressed:border-moss"
            >
              <svg viewBox="0 0 60 34" aria-hidden className="w-full rounded-md border border-line">
                <rect width="60" height="34" fill={colours.ground} />
                <rect x="8" y="6" width="44" height="28" rx={corner === "round" ? 5 : corner === "slight" ? 2 : 0} fill={colours.card} />
                <rect x="13" y="10" width="26" height="3" fill={colours.ink} />
                <rect x="13" y="17" width="16" height="2" fill={colours.right} />
                <rect x="13" y="22" width="12" height="2" fill={colours.wrong} />
                <rect x="34" y="25" width="14" height="5" rx={corner === "round" ? 2.5 : 0} fill={colours.accent} />
              </svg>
              {name}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
