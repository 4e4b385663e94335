import { Download, Wrench } from "lucide-react";
import { useCallback, useEffect, useRef } from "react";
import { Link } from "react-router";
import type { GameView, ProgramText, Stop } from "../api/schema";
import { usePython } from "../api/takeaway";
import { counted } from "../app/format";
import { STOP_FACES, stopPath } from "../app/stops";
import { Button, buttonLook } from "../ui/Button";
import { ErrorNotice } from "../ui/Notice";

type AsPythonProps = {
  game: GameView;
  /** The stop whose bench is chosen. */
  chosen: Stop;
  /** Where the die stands. */
  at: Stop | undefined;
  onClose: () => void;
};

/** The game as the program it is; the lines of the stop in play are lit. */
export function AsPython({ game, chosen, at, onClose }: AsPythonProps) {
  const written = usePython(game.id, game.revision);
  const told = written.data;
  const fits = told !== undefined && told.lines.length > 0;
  return (
    <section data-keeps-focus aria-labelledby="bench" className="relative flex size-full min-h-0 min-w-0 flex-col rounded-xl border border-line bg-card/90 px-5 py-3">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h2 id="bench" tabIndex={-1} className="text-2xl">
          As Python
        </h2>
        <p className="text-soft">
          {fits ? `${counted(told.lines.length, "line")}, as somebody would write the loop by hand.` : "The loop this game is."}
        </p>
        <span className="ml-auto flex gap-1">
          {fits && (
            <a className={`${buttonLook("quiet")} px-2`} href={`/api/games/${game.id}/python/file`} download>
              <Download aria-hidden /> Save it
            </a>
          )}
          <Button look="quiet" className="px-2" onClick={onClose}>
            <Wrench aria-hidden /> To the bench
          </Button>
        </span>
      </div>
      {written.error && <ErrorNotice error={written.error} />}
      {written.isPending && <p role="status">Writing it down…</p>}
      {told && !fits && <Refused game={game} told={told} />}
      {fits && <Program told={told} chosen={chosen} at={at} />}
    </section>
  );
}

function Refused({ game, told }: { game: GameView; told: ProgramText }) {
  return (
    <div>
      <p>This game does not fit a plain program:</p>
      <ul className="mt-2 space-y-1">
        {told.reasons.map(({ stop, round, what }) => (
          <li key={`${stop} ${round ?? ""} ${what}`} className="border-l-4 border-sun pl-3">
            <Link
              className="font-semibold text-sky underline"
              to={{ pathname: `/game/${game.id}/${stopPath(stop)}`, search: round === null ? "" : `round=${round + 1}` }}
            >
              {STOP_FACES[stop].name}
              {round !== null && `, round ${round + 1}`}
            </Link>
            : {what}.
          </li>
        ))}
      </ul>
    </div>
  );
}

function Program({ told, chosen, at }: { told: ProgramText; chosen: Stop; at: Stop | undefined }) {
  const list = useRef<HTMLOListElement>(null);
  const show = useCallback(
    (stop: Stop) => {
      const line = list.current?.children[told.stops.indexOf(stop)];
      if (list.current && line instanceof HTMLElement) list.current.scrollTop = line.offsetTop - list.current.offsetTop;
    },
    [told],
  );
  // What the die does now matters more than the bench that was chosen before.
  useEffect(() => show(chosen), [chosen, show]);
  useEffect(() => {
    if (at) show(at);
  }, [at, show]);
  return (
    <ol
      ref={list}
      tabIndex={0}
      aria-label="The program, line by line"
      className="min-h-0 min-w-0 flex-1 overflow-auto rounded-lg border border-line bg-paper py-2 font-mono text-sm leading-6"
    >
      {told.lines.map((line, index) => {
        const isLit = at !== undefined && told.stops[index] === at;
        return (
          <li
            key={index}
            data-lit={isLit || undefined}
            className={`grid w-max min-w-full grid-cols-[1.25rem_2.75rem_1fr] ${isLit ? "bg-sun/25" : ""}`}
          >
            <span aria-hidden className="text-center text-clay">
              {isLit ? "▸" : ""}
            </span>
            <span aria-hidden className="pr-3 text-right text-soft select-none">
              {index + 1}
            </span>
            <code className="pr-4 whitespace-pre">{line || " "}</code>
          </li>
        );
      })}
    </ol>
  );
}
