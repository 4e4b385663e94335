import { Link } from "react-router";
import type { PackCard } from "../api/schema";
import { ago, counted } from "../app/format";
import { Button, buttonLook } from "../ui/Button";

type PackShelfProps = { packs: PackCard[]; onMake: (title: string, packIds: string[]) => void };

/** The packs that were loaded, each ready to become another game. */
export function PackShelf({ packs, onMake }: PackShelfProps) {
  return (
    <section aria-labelledby="packs" className="mt-8">
      <h2 id="packs" className="text-2xl">
        Packs
      </h2>
      <ul className="mt-3 divide-y divide-line rounded-xl border border-line bg-card">
        {packs.map((pack) => (
          <li key={pack.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2">
            <b>{pack.title}</b>
            <span className="flex-1 text-soft">
              {pack.columns.length > 0 ? `${counted(pack.question_count, "row")} of facts` : counted(pack.question_count, "question")}
              {pack.source.refused.length > 0 && `, ${counted(pack.source.refused.length, "row")} refused`}, {pack.source.file_name ? `from ${pack.source.file_name}` : "written here"},{" "}
              {ago(pack.saved_at)}
            </span>
            <Link to={`/pack/${pack.id}`} aria-label={`Edit ${pack.title}`} className={buttonLook()}>
              Edit
            </Link>
            <Button onClick={() => onMake(pack.title, [pack.id])}>Make a game of it</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
