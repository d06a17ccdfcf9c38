// The words of the line that is heard: each lights up while it is said.

const LATEST = 40;

export class WordHighlight {
  #known = new Map();

  #spans = [];

  #address = '';

  #now = -1;

  /** Shows the words of a spot, and when each of them is said: as it knows itself, or is to be asked for. */
  show(place, words, spot) {
    const address = addressOf(spot);
    place.textContent = words;
    place.lang = spot.lang;
    this.#spans = [];
    this.#now = -1;
    this.#address = address;
    this.#times(address).then((times) => {
      // Another line may have been chosen meanwhile.
      if (this.#address === address && place.isConnected && times.length > 0) {
        this.#spans = inSpans(place, words, times);
      }
    }).catch(() => {});
  }

  /** Asks ahead. */
  prepare(spot) {
    this.#times(addressOf(spot)).catch(() => {});
  }

  #times(address) {
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

  /** Lights the word that is said at this time; none before the sound was started. */
  at(ms, started) {
    const now = started ? this.#spans.findLastIndex(({ startMs }) => startMs <= ms) : -1;
    if (now === this.#now) {
      return;
    }
    this.#spans[this.#now]?.span.classList.remove('lit');
    this.#spans[now]?.span.classList.add('lit');
    this.#now = now;
    const lit = this.#spans[now]?.span;
    if (lit && lit.offsetTop + lit.offsetHeight > lit.parentElement.scrollTop + lit.parentElement.clientHeight) {
      lit.parentElement.scrollTop = lit.offsetTop - lit.parentElement.offsetTop;
    }
  }
}

const addressOf = (spot) => spot.dataset.said ?? spot.dataset.words;

/** The words as they are written, each that is said in an element of its own; what stands between them stays. */
function inSpans(place, words, times) {
  const spans = [];
  const parts = [];
  let at = 0;
  times.forEach(({ text, from, span: { startMs, endMs } }) => {
    parts.push(words.slice(at, from));
    const span = document.createElement('span');
    span.textContent = text;
    parts.push(span);
    if (endMs > startMs) {
      spans.push({ span, startMs });
    }
    at = from + text.length;
  });
  parts.push(words.slice(at));
  place.replaceChildren(...parts);
  return spans;
}
