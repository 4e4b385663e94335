import { Download } from "lucide-react";
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import { useGame } from "../api/games";
import type { Weights } from "../api/schema";
import { useWeights } from "../api/takeaway";
import { weight } from "../app/format";
import { Page } from "../app/Page";
import { WayBack } from "../app/WayBack";
import { buttonLook } from "../ui/Button";
import { Die } from "../ui/Die";
import { ErrorNotice } from "../ui/Notice";
import { Framed } from "./Framed";

/** The ways a game leaves by, each with what it weighs and needs. */
export default function TakePage() {
  const { gameId = "" } = useParams();
  const game = useGame(gameId);
  const weights = useWeights(gameId);
  const title = game.data?.document.title ?? "";
  const failure = game.error ?? weights.error;
  const at = `/api/games/${gameId}`;
  const told = weights.data;
  return (
    <Page title={`Take ${title} away`}>
      <main className="mx-auto max-w-5xl px-4 py-5">
        <header className="mb-5 flex items-center gap-3">
          <Link to="/" aria-label="Back to the shelf" className="rounded-md">
            <Die className="size-8" />
          </Link>
          <h1 className="mr-auto text-3xl">Take <bdi>{title}</bdi> away</h1>
          <Link to={`/game/${gameId}`} className="text-sky underline">
            To the workbench
          </Link>
        </header>
        {failure && <ErrorNotice error={failure} />}
        {failure && !game.data && <WayBack />}
        {game.data && !told && !failure && <p role="status">Weighing what leaves…</p>}
        {game.data && (told || failure) && (
          <ul className="mt-5 grid items-stretch gap-5 md:grid-cols-2 lg:grid-cols-3">
            {told && <Played gameId={gameId} told={told} />}
            <Way
              name="The game itself"
              href={`${at}/file`}
              action="Save the game file"
              weighs="As much as its questions, pictures and sounds."
              needs="A Dice Trail, to drop it on the shelf."
            >
              <p>The whole game in an open format, to edit elsewhere. The handbook describes every field.</p>
            </Way>
          </ul>
        )}
        {game.data && <Framed game={game.data} />}
      </main>
    </Page>
  );
}

/** The ways by which it leaves to be played, once nothing is wrong with it. */
function Played({ gameId, told }: { gameId: string; told: Weights }) {
  const at = `/api/games/${gameId}`;
  return (
    <>
      <Way
        name="A folder for the web"
        href={`${at}/folder`}
        action="Save the folder"
        weighs={`${weight(told.folder.whole)} in ${told.folder.files} files. Over the wire ${weight(told.folder.page)} for the page, ${weight(told.folder.engine)} once for the engine, and ${weight(told.folder.media)} of pictures and sounds.`}
        needs="Any web space that serves files, under any address; or none, if you serve it yourself."
        command="python3 -m http.server"
      >
        <p>
          The whole game with its look, sounds and clocks, played in the browser. After the first visit it needs no network and
          can be installed. Best scores stay on each device; a class gives its answers away as a file, which Foresight reads.
        </p>
        <p>Anyone who looks into the folder can read the right answers.</p>
      </Way>
      <Way
        name="A package for a course"
        href={`${at}/package`}
        action="Save the package"
        weighs="As much as the folder it holds."
        needs="A course platform that takes SCORM 1.2, or the page in it that stands in for one."
        command="python3 -m http.server"
      >
        <p>
          The folder, which tells the course how far its player came: percent of questions right as the score, and passed or failed
          by the endings that pass a course (End, under each ending). Where none does, it is completed.
        </p>
        <p>Anyone who looks into it can read the right answers.</p>
      </Way>
      <Way
        name="One file for a terminal"
        href={`${at}/program`}
        action="Save the file"
        weighs={`${weight(told.program)}, one file.`}
        needs="Python 3.11 or newer, and nothing else."
        command={`python3 ${gameId}.pyz`}
      >
        <p>The game with the engine that plays it, to be typed at. Pictures are named, sounds ring the bell.</p>
        <p>Anyone who unpacks it can read the right answers.</p>
      </Way>
      {told.lines > 0 ? (
        <Way
          name="A Python program to read"
          href={`${at}/python/file`}
          action="Save the program"
          weighs={`${told.lines} lines.`}
          needs="Python 3.11 or newer, and nothing else."
          command={`python3 ${gameId}.py`}
        >
          <p>
            The game as the loop somebody would write by hand: its questions as data, its rules as you wrote them, and only what
            it uses. The workbench shows it beside the table, as Python.
          </p>
        </Way>
      ) : (
        <li className="rounded-xl border border-line bg-card p-5">
          <h2 className="text-2xl">A Python program to read</h2>
          <p className="mt-2">
            This game holds more than such a program can. What, and at which stop, the workbench tells{" "}
            <Link to={`/game/${gameId}`} className="text-sky underline">
              as Python
            </Link>{" "}
            (key Y).
          </p>
        </li>
      )}
    </>
  );
}

type WayProps = {
  name: string;
  href: string;
  action: string;
  weighs: string;
  needs: string;
  /** What is typed to try it. */
  command?: string;
  children: ReactNode;
};

function Way({ name, href, action, weighs, needs, command, children }: WayProps) {
  return (
    <li className="flex flex-col rounded-xl border border-line bg-card p-5">
      <h2 className="text-2xl">{name}</h2>
      <div className="mt-2 space-y-2">{children}</div>
      <dl className="mt-4 mb-4 space-y-2 border-t border-line pt-3 text-sm">
        <div>
          <dt className="font-semibold">It weighs</dt>
          <dd>{weighs}</dd>
        </div>
        <div>
          <dt className="font-semibold">It needs</dt>
          <dd>{needs}</dd>
        </div>
        {command && (
          <div>
            <dt className="font-semibold">To try it</dt>
            <dd className="font-mono">{command}</dd>
          </div>
        )}
      </dl>
      <a href={href} download className={`${buttonLook()} mt-auto self-start`}>
        <Download aria-hidden /> {action}
      </a>
    </li>
  );
}
