import isSame from "fast-deep-equal";
import { detailsOf, mayBeKept } from "../api/client";
import { listeners } from "../api/listeners";
import type { Game, GameView } from "../api/schema";
import type { Saving } from "../api/saving";
import { at, merge, withAt, type Clash } from "./merge";

/** Edits that follow one another faster than this are undone together. */
const ONE_EDIT_MS = 700;
const MAX_UNDONE = 500;
const CHANGED_SINCE = 412;

export type Edit = (change: (document: Game) => Game) => void;

/** How a draft reaches what is kept of its game. */
export type Keeper = {
  /** Keeps a document made on a revision; refuses with 412 if there is a newer one. */
  save: (gameId: string, revision: number, document: Game) => Promise<GameView>;
  show: (gameId: string) => Promise<GameView>;
  /** A revision's document. */
  revision: (gameId: string, number: number) => Promise<Game>;
  /** What the revisions after one changed, in words. */
  changesAfter: (gameId: string, number: number) => Promise<string[]>;
  /** Told of each view of the game that is newer than the one before. */
  told: (view: GameView, isOwn: boolean) => void;
  pauseMs: number;
};

/** What was taken in from elsewhere, and where it met what was edited here. */
export type Elsewhere = { changes: string[]; clashes: Clash[] };

/** A draft as it is to be shown. */
export type DraftShown = {
  document: Game;
  saving: Saving;
  elsewhere: Elsewhere | undefined;
  canUndo: boolean;
  canRedo: boolean;
  /** What the last undo or redo did, until the next edit. */
  turned: "undone" | "redone" | undefined;
};

/** The document that a revision was kept as. */
type Base = { revision: number; document: Game };

/**
 * The one draft of a game in this page, whoever edits it: the benches, a file that is loaded, a
 * number that is tried. It alone knows the newest revision.
 *
 * An edit is on screen at once and saved a moment later, one save at a time. When the game was
 * changed elsewhere, both are merged by field and saved, and what was taken in is told. Where
 * both changed one field, the edit made here stays, and both are told. An edit that could not be
 * saved stays on screen and goes out with the next one, or by `flush`.
 */
export class GameDraft {
  readonly #id: string;
  readonly #keeper: Keeper;
  readonly #listeners = listeners();
  #base: Base;
  #document: Game;
  #past: Game[] = [];
  #future: Game[] = [];
  #editedAt = -ONE_EDIT_MS;
  /** What is on its way to the server and back. */
  #running: Promise<void> | undefined;
  /** Whether there may be a newer revision than the one known. */
  #isBehind = false;
  /** Documents that were sent and may be kept, for no answer came. */
  #unheard: Game[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;
  #shown: DraftShown;

  constructor(view: GameView, keeper: Keeper) {
    this.#id = view.id;
    this.#keeper = keeper;
    this.#base = { revision: view.revision, document: view.document };
    this.#document = view.document;
    this.#shown = this.#show({ saving: { is: "saved" }, elsewhere: undefined, turned: undefined });
  }

  readonly listen = (listener: () => void) => this.#listeners.listen(listener);
  readonly shown = (): DraftShown => this.#shown;

  get document(): Game {
    return this.#document;
  }

  /** The newest revision known. */
  get revision(): number {
    return this.#base.revision;
  }

  /** Whether something is not saved yet. */
  get isDue(): boolean {
    return this.#running !== undefined || !isSame(this.#document, this.#base.document);
  }

  readonly edit: Edit = (change) => {
    const before = this.#document;
    const after = change(before);
    if (isSame(after, before)) return;
    const now = performance.now();
    if (now - this.#editedAt > ONE_EDIT_MS) this.#past = [...this.#past.slice(-MAX_UNDONE), before];
    this.#editedAt = now;
    this.#future = [];
    this.#put(after, undefined);
  };

  /** An edit that belongs to the one before: both are undone together. */
  readonly follow: Edit = (change) => {
    const after = change(this.#document);
    if (!isSame(after, this.#document)) this.#put(after, undefined);
  };

  readonly undo = (): void => {
    const before = this.#past.at(-1);
    if (!before) return;
    this.#editedAt = -ONE_EDIT_MS;
    this.#past = this.#past.slice(0, -1);
    this.#future = [this.#document, ...this.#future];
    this.#put(before, "undone");
  };

  readonly redo = (): void => {
    const [after, ...future] = this.#future;
    if (!after) return;
    this.#editedAt = -ONE_EDIT_MS;
    this.#past = [...this.#past, this.#document];
    this.#future = future;
    this.#put(after, "redone");
  };

  /** The next edit is a step of undo of its own. */
  readonly endStep = (): void => {
    this.#editedAt = -ONE_EDIT_MS;
  };

  /** Takes what was written elsewhere at a place where both changed it. */
  readonly takeTheirs = (clash: Clash): void => {
    this.endStep();
    this.edit((document) => withAt(document, clash.path, clash.theirs));
    this.#settled(clash);
  };

  /** Keeps what was written here at a place where both changed it. */
  readonly keepMine = (clash: Clash): void => this.#settled(clash);

  /** What was taken in from elsewhere has been read. */
  readonly readElsewhere = (): void => this.#tell({ elsewhere: undefined });

  /** What was written here at a place, as it is by now. */
  readonly mineAt = (clash: Clash): unknown => at(this.#document, clash.path);

  /** Says that there may be a newer revision; it is taken in as soon as can be. */
  readonly lookAgain = (): Promise<void> => {
    this.#isBehind = true;
    return this.flush();
  };

  /** Takes in a view of the game that came by another way. */
  readonly meet = (view: GameView): void => {
    if (view.revision > this.#base.revision) void this.lookAgain();
  };

  /** Saves at once what is due. What fails is told by `shown`. */
  readonly flush = (): Promise<void> => {
    clearTimeout(this.#timer);
    this.#running ??= this.#run().finally(() => (this.#running = undefined));
    return this.#running;
  };

  /** Saves all that is due; raises what kept it from being saved. */
  readonly saved = async (): Promise<void> => {
    // What is on its way since before may still fail for what was so then.
    await this.#running;
    await this.flush();
    const { saving } = this.#shown;
    if (saving.is === "failed") throw saving.error;
  };

  async #run() {
    try {
      while (this.#isBehind || this.#document !== this.#base.document) await this.#onward();
      this.#tell({ saving: { is: "saved" } });
    } catch (error) {
      const isKept = isSame(this.#document, this.#base.document);
      this.#tell({ saving: isKept ? { is: "saved" } : { is: "failed", error } });
    }
  }

  #put(next: Game, turned: DraftShown["turned"]) {
    this.#document = next;
    this.#tell({ saving: { is: "saving" }, turned });
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), this.#keeper.pauseMs);
  }

  /** One call to the server: the newest is looked at, or the document as it is sent. */
  async #onward() {
    if (this.#isBehind) {
      const view = await this.#keeper.show(this.#id);
      this.#isBehind = false;
      if (view.revision > this.#base.revision) await this.#takeIn(view);
      else if (isSame(this.#document, this.#base.document)) this.#document = this.#base.document;
      return;
    }
    const sent = this.#document;
    try {
      const view = await this.#keeper.save(this.#id, this.#base.revision, sent);
      this.#base = { revision: view.revision, document: sent };
      this.#unheard = [];
      this.#keeper.told(view, true);
    } catch (error) {
      const { status } = detailsOf(error);
      if (status === CHANGED_SINCE) {
        this.#isBehind = true;
        return;
      }
      if (mayBeKept(error)) this.#unheard = [...this.#unheard, sent];
      throw error;
    }
  }

  /** Merges a newer revision with what is edited here. */
  async #takeIn(view: GameView) {
    await this.#knowOwn(view);
    const before = this.#base;
    if (view.revision === before.revision) {
      this.#keeper.told(view, true);
      return;
    }
    const changes = await this.#keeper.changesAfter(this.#id, before.revision);
    // From here on nothing is waited for, so no edit comes between.
    const newest = view.document;
    const { document, clashes } = merge(before.document, this.#document, newest);
    const onto = (held: Game) => merge(before.document, held, newest).document;
    this.#past = this.#past.map(onto);
    this.#future = this.#future.map(onto);
    this.#base = { revision: view.revision, document: newest };
    this.#unheard = [];
    this.#document = isSame(document, newest) ? newest : document;
    const known = this.#shown.elsewhere;
    this.#tell({
      elsewhere: { changes: [...(known?.changes ?? []), ...changes], clashes: [...withoutThose(known?.clashes ?? [], clashes), ...clashes] },
    });
    this.#keeper.told(view, false);
  }

  /** Knows a document again that was sent from here and kept, though no answer came. */
  async #knowOwn(view: GameView) {
    if (this.#unheard.length === 0) return;
    const next = this.#base.revision + 1;
    const kept = view.revision === next ? view.document : await this.#keeper.revision(this.#id, next);
    const own = this.#unheard.find((sent) => isSame(sent, kept));
    if (own) this.#base = { revision: next, document: own };
  }

  #settled(clash: Clash) {
    const { elsewhere } = this.#shown;
    if (!elsewhere) return;
    const clashes = withoutThose(elsewhere.clashes, [clash]);
    this.#tell({ elsewhere: clashes.length + elsewhere.changes.length > 0 ? { ...elsewhere, clashes } : undefined });
  }

  #show(state: Pick<DraftShown, "saving" | "elsewhere" | "turned">): DraftShown {
    return { ...state, document: this.#document, canUndo: this.#past.length > 0, canRedo: this.#future.length > 0 };
  }

  #tell(now: Partial<Pick<DraftShown, "saving" | "elsewhere" | "turned">>) {
    const { saving, elsewhere, turned } = this.#shown;
    this.#shown = this.#show({ saving, elsewhere, turned, ...now });
    this.#listeners.tell();
  }
}

/** Clashes without those at the places of others. */
function withoutThose(clashes: Clash[], gone: Clash[]): Clash[] {
  return clashes.filter(({ path }) => !gone.some((other) => isSame(other.path, path)));
}
