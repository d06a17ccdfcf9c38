// When each word of a line is said: as its spot knows itself, or asked for once.

const LATEST = 40;

const addressOf = (spot) => spot.dataset.said ?? spot.dataset.words;

export class WordTimes {
  #known = new Map();

  /** Answers them in order: text, from where it stands in the words, span in ms of the sound. */
  of(spot) {
    const address = addressOf(spot);
    if (!this.#known.has(address)) {
      if (this.#known.size > LATEST) {
        this.#known.clear();
      }
      const asked = address.startsWith('[')
        ? Promise.resolve(JSON.parse(address))
        : fetch(address).then((response) => (response.ok ? response.json() : []));
      this.#known.set(address, asked);
      asked.catch(() => this.#known.delete(address));
    }
    return this.#known.get(address);
  }

  /** Asks ahead. */
  prepare(spot) {
    this.of(spot).catch(() => {});
  }
}
