/** Calls made one after the other, each once the one before has ended, well or not. */
export class Line {
  #last: Promise<unknown> = Promise.resolve();

  next = <Given>(call: () => Promise<Given>): Promise<Given> => {
    const given = this.#last.then(call, call);
    this.#last = given;
    return given;
  };
}
