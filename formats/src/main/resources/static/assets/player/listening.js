// What is heard on a page, and what comes after it. No sound and no page in here: lines go in by their ids, and what is to be done
// comes out.
//
// One line at a time: pressed by itself ('one'), as one of those that sound on arrival ('arriving'), or as a part of the whole
// page, said line by line ('through').

export class Listening {
  #mode = 'one';

  #arriving = [];

  /** The lines of this page that are still to be heard before the child chooses a way. */
  #toHear = new Set();

  /** Whether it was told that all of the page was heard. */
  #told = false;

  /** How often the current line is still to be heard; 0: again and again. */
  #timesLeft = 1;

  /** The line that was begun last: its words are pressed one by one. */
  begun = null;

  get mode() {
    return this.#mode;
  }

  /** A page is met. @param lines all that can be heard on it, but for hints */
  meet(lines) {
    this.#toHear = new Set(lines);
    this.#told = false;
  }

  /** Another line is current. @param times it is heard when it is begun */
  choose(times) {
    this.#timesLeft = times;
  }

  /** What sounds by itself, in order; answers what comes first, if anything does. */
  arrive(lines) {
    this.#arriving = lines.slice(1);
    this.#mode = this.#arriving.length > 0 ? 'arriving' : 'one';
    return lines[0];
  }

  /** All of the page, line by line from the current one on. */
  sayThrough() {
    this.#arriving = [];
    this.#mode = 'through';
  }

  /** Something is pressed: what was to come by itself doesn't. @param goesOn whether the page is still said through */
  pressed(goesOn = false) {
    this.#arriving = [];
    if (!goesOn || this.#mode === 'arriving') {
      this.#mode = 'one';
    }
  }

  /** A line was begun. */
  begin(line) {
    this.begun = line;
  }

  /** The page is left, or something else is answered and heard. */
  leave() {
    this.pressed();
    this.#timesLeft = 1;
  }

  /**
   * A line was heard to its end.
   *
   * @param line the current one
   * @param next asked for the line after it where the page is said through; answers null when it was the last one
   * @return what is done: { again } the same line, { begin } another one, { heard } all of the page was, { yourTurn } and the child
   *     may choose a way; nothing: it is over
   */
  ended(line, next) {
    this.#toHear.delete(line);
    if (this.#timesLeft !== 1) {
      this.#timesLeft = Math.max(0, this.#timesLeft - 1);
      return { again: true };
    }
    if (this.#arriving.length > 0) {
      const begin = this.#arriving.shift();
      // The last one of them is heard as if it were pressed.
      this.#mode = this.#arriving.length > 0 ? 'arriving' : 'one';
      return { begin };
    }
    const through = this.#mode === 'through';
    const begin = through ? next() : null;
    if (begin) {
      return { begin };
    }
    const yourTurn = this.#toHear.size === 0 && !this.#told;
    this.#told ||= yourTurn;
    this.#mode = 'one';
    return yourTurn || through ? { heard: true, yourTurn } : {};
  }
}
