type Waiting<State> = { name: string; send: (state: State) => Promise<State | undefined> };

/**
 * What is done while the server is still asked: kept, and sent one by one, each on top of
 * what the one before gave. So no two are on their way at once, and none is lost.
 */
export class Turns<State> {
  #waiting: Waiting<State>[] = [];
  #isSending = false;

  /** `most` of them wait at the most. */
  constructor(private readonly most: number) {}

  get isEmpty(): boolean {
    return this.#waiting.length === 0;
  }

  /** Keeps one, unless it is the same as the last or too many wait; tells whether it did. */
  push(name: string, send: Waiting<State>["send"]): boolean {
    if (this.#waiting.length >= this.most || this.#waiting.at(-1)?.name === name) return false;
    this.#waiting.push({ name, send });
    return true;
  }

  /** Sends all that waits, each on the state there is by then. One that gives no state was refused: what was
   * done after it was meant for what it would have brought, and is given up with it. */
  async sendAll(newest: () => State | undefined): Promise<void> {
    if (this.#isSending) return;
    this.#isSending = true;
    try {
      let given = newest();
      for (let next = this.#waiting[0]; next && given !== undefined; next = this.#waiting[0]) {
        given = await next.send(given);
        this.#waiting.shift();
      }
      this.#waiting = [];
    } finally {
      this.#isSending = false;
    }
  }
}
