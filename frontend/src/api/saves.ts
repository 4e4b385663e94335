import type { Saving } from "./saving";

type Sending = {
  /** Whether more was put in since. */
  hasMore: () => boolean;
  /** Whether it was sent before, and may be kept. */
  isAgain: boolean;
};

type Ways<Due> = {
  /** Sends what is due, made on a revision, and gives the revision it became. */
  send: (due: Due, revision: number, how: Sending) => Promise<number>;
  /** What is due, and what came after it, as one. */
  join: (due: Due, next: Due) => Due;
  /** Told how the saving stands, whenever that changes. */
  tell: (saving: Saving) => void;
  /** Whether what was sent may be kept although it failed, for no answer came. */
  mayBeKept: (error: unknown) => boolean;
  pauseMs: number;
};

/**
 * Saves what is put in a moment after, one save at a time, in order. What could not be saved
 * stays due: it goes out with what is put in next, or when `flush` is called.
 */
export class Saves<Due> {
  #due: { what: Due } | undefined;
  /** What was sent and may be kept, to be sent again as it was: so it is known again. */
  #unheard: { what: Due } | undefined;
  #isOut = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #ways: Ways<Due>;

  /** The newest revision there is, on which what is put in is made. */
  #revision: number;

  constructor(revision: number, ways: Ways<Due>) {
    this.#revision = revision;
    this.#ways = ways;
  }

  /** Says that something else made a newer revision, which has all that was saved. */
  follow(revision: number): void {
    this.#revision = revision;
  }

  /** The newest revision there is. */
  get revision(): number {
    return this.#revision;
  }

  /** Whether something is not saved yet. */
  get isDue(): boolean {
    return this.#next !== undefined || this.#isOut;
  }

  get #next(): { what: Due } | undefined {
    return this.#unheard ?? this.#due;
  }

  put(next: Due): void {
    this.#due = { what: this.#due ? this.#ways.join(this.#due.what, next) : next };
    this.#ways.tell({ is: "saving" });
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), this.#ways.pauseMs);
  }

  /** Saves at once what is due. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer);
    let next = this.#next;
    if (this.#isOut || !next) return;
    this.#isOut = true;
    let out = next.what;
    try {
      for (; next; next = this.#next) {
        out = next.what;
        const isAgain = this.#unheard !== undefined;
        if (isAgain) this.#unheard = undefined;
        else this.#due = undefined;
        const hasMore = () => this.#due !== undefined;
        this.#revision = await this.#ways.send(out, this.#revision, { hasMore, isAgain });
      }
      this.#ways.tell({ is: "saved" });
    } catch (error) {
      if (this.#ways.mayBeKept(error)) this.#unheard = { what: out };
      else this.#due = { what: this.#due ? this.#ways.join(out, this.#due.what) : out };
      this.#ways.tell({ is: "failed", error });
    } finally {
      this.#isOut = false;
    }
  }

  /** Gives up what is due. */
  forget(): void {
    clearTimeout(this.#timer);
    this.#due = this.#unheard = undefined;
  }
}
