import type { Game, GameView, Round } from "../../api/schema";
import type { Edit } from "../../draft/gameDraft";
import type { Rename } from "../../draft/useRename";
import type { TableRun } from "./useTableRun";

/** What every bench is given. */
export type BenchProps = {
  game: GameView;
  document: Game;
  round: Round;
  /** The number of the round being programmed, from 0. */
  number: number;
  /** Where the round stands in the document, as problems name it. */
  at: string;
  edit: Edit;
  /** Renames a part, and all that names it. */
  rename: Rename;
  /** Changes some of the round's rules and leaves the rest. */
  editRound: (change: Partial<Round>) => void;
  table: TableRun;
};
