// A single word of a line, said alone out of its own take: slower when it is asked for again.

const ROOM_MS = 45;
const SLOWER = 0.65;

export class OneWord {
  #endMs = null;

  #last = { line: '', index: -1, times: 0 };

  #timer = 0;

  /** Where in the sound it is, and how fast it is said. @param line its id @param index of the word in it */
  begin(line, index, { startMs, endMs }) {
    const again = this.#last.line === line && this.#last.index === index ? this.#last.times + 1 : 0;
    this.#last = { line, index, times: again };
    this.#endMs = endMs + ROOM_MS;
    return { fromMs: Math.max(0, startMs - ROOM_MS), share: again % 2 === 1 ? SLOWER : 1 };
  }

  get isSaid() {
    return this.#endMs !== null;
  }

  /** Calls back when a sound has come to the end of the word. */
  watch(audio, done) {
    clearTimeout(this.#timer);
    if (!this.isSaid) {
      return;
    }
    const leftMs = (this.#endMs - audio.currentTime * 1000) / audio.playbackRate;
    if (leftMs <= 4) {
      this.forget();
      done();
    } else {
      this.#timer = setTimeout(() => this.watch(audio, done), Math.min(leftMs, 200));
    }
  }

  forget() {
    clearTimeout(this.#timer);
    this.#endMs = null;
  }

  /** The word that was asked for last in this line; -1: none. */
  lastOf(line) {
    return this.#last.line === line ? this.#last.index : -1;
  }
}
