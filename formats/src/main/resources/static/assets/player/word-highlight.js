// The words of the line that is heard, in the dock: each lights up while it is said, and can be pressed.

export class WordHighlight {
  #spans = [];

  #now = -1;

  #place;

  /** Shows the words of a line as they are, until it is known when each of them is said. */
  show(place, words, spot) {
    place.textContent = words;
    place.lang = spot.lang;
    this.#place = place;
    this.#spans = [];
    this.#now = -1;
  }

  /** @param times of the words that are shown */
  knows(words, times) {
    if (this.#place.isConnected && times.length > 0) {
      this.#spans = inSpans(this.#place, words, times);
    }
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

/** The words as they are written, each that is said in an element of its own; what stands between them stays. */
function inSpans(place, words, times) {
  const spans = [];
  const parts = [];
  let at = 0;
  times.forEach(({ text, from, span: { startMs, endMs } }, index) => {
    parts.push(words.slice(at, from));
    const span = document.createElement('span');
    span.textContent = text;
    parts.push(span);
    if (endMs > startMs) {
      span.dataset.word = index;
      spans.push({ span, startMs });
    }
    at = from + text.length;
  });
  parts.push(words.slice(at));
  place.replaceChildren(...parts);
  return spans;
}
