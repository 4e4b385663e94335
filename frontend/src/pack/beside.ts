import type { RowsEdit } from "./usePackDraft";

/**
 * What others changed in the rows of a pack while one's own edits were on their way. It is put in once nothing is:
 * until then each save says what its edits do not know of, and the answer how that stands to them.
 */
export class Beside<Item> {
  #unseen: RowsEdit<Item>[] = [];
  #put: (edits: RowsEdit<Item>[]) => void = () => undefined;

  /** What is in the newest revision and not in the rows yet, as it is made after all that was sent. */
  get unseen(): RowsEdit<Item>[] {
    return this.#unseen;
  }

  /** Hears what others changed; if nothing more is to be sent, it is put into the rows. */
  hear(unseen: RowsEdit<Item>[], isAll: boolean): void {
    this.#unseen = isAll ? [] : unseen;
    if (isAll && unseen.length) this.#put(unseen);
  }

  /** Says how edits are put into the rows. */
  listen(put: (edits: RowsEdit<Item>[]) => void): void {
    this.#put = put;
  }
}
