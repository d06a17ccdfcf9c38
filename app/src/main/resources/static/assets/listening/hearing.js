// Plays what was said in an answer, part after part: as fast as is wished, its voice's pitch kept, and without its long pauses.
const BACK_S = 3;

export class Hearing extends EventTarget {
  #audio = new Audio();
  #waiting = new Audio();
  #pieces = [];
  #at = -1;

  constructor() {
    super();
    this.rate = 1;
    this.shorten = true;
    [this.#audio, this.#waiting].forEach((audio) => {
      audio.preload = 'auto';
      audio.preservesPitch = true;
      audio.addEventListener('ended', () => audio === this.#audio && this.#next());
      audio.addEventListener('error', () => audio === this.#audio && this.#at >= 0 && this.#damaged());
    });
  }

  /** @param pieces each with src, skips in seconds, and what shows how far it is */
  load(pieces) {
    this.stop();
    this.#pieces = pieces;
    this.#at = -1;
  }

  /** The sound that comes after this is fetched already. */
  prepare(src) {
    if (src && this.#waiting.dataset.src !== src) {
      this.#waiting.dataset.src = src;
      this.#waiting.src = src;
    }
  }

  get plays() {
    return this.#at >= 0 && !this.#audio.paused;
  }

  setRate(rate) {
    this.rate = rate;
    this.#audio.playbackRate = rate;
  }

  toggle() {
    if (this.plays) {
      this.#audio.pause();
      this.#told();
    } else if (this.#at >= 0) {
      this.#sound();
    } else {
      this.again();
    }
  }

  again(from = 0) {
    if (this.#pieces.length > 0) {
      this.#begin(from);
    } else {
      this.dispatchEvent(new Event('end'));
    }
  }

  back() {
    if (this.#at >= 0) {
      this.#audio.currentTime = Math.max(0, this.#audio.currentTime - BACK_S);
    }
  }

  stop() {
    this.#audio.pause();
    this.#at = -1;
    this.#told();
  }

  /** Where it is: which part, and how many ms into it; null: nothing sounds. */
  get place() {
    return this.#at < 0 ? null : { piece: this.#pieces[this.#at], ms: Math.round(this.#audio.currentTime * 1000) };
  }

  #begin(index) {
    this.#at = index;
    const { src } = this.#pieces[index];
    if (this.#waiting.dataset.src === src) {
      [this.#audio, this.#waiting] = [this.#waiting, this.#audio];
      this.#waiting.pause();
      this.#waiting.dataset.src = '';
    } else if (this.#audio.dataset.src !== src) {
      this.#audio.src = src;
    }
    this.#audio.dataset.src = src;
    this.#audio.currentTime = 0;
    this.#sound();
  }

  async #sound() {
    this.#audio.playbackRate = this.rate;
    try {
      await this.#audio.play();
      this.#told();
      this.#follow();
    } catch {
      // Another sound was wanted meanwhile; or the browser wants a press first, and is given one.
      this.#told();
    }
  }

  #follow() {
    const piece = this.#pieces[this.#at];
    if (!piece || this.#audio.paused) {
      return;
    }
    const now = this.#audio.currentTime;
    const pause = this.shorten && piece.skips.find(([from, to]) => now >= from && now < to - 0.05);
    if (pause) {
      const end = Math.min(pause[1], (this.#audio.duration || pause[1]) - 0.01);
      if (pause[1] >= piece.seconds - 0.05) {
        this.#audio.pause();
        this.#next();
        return;
      }
      this.#audio.currentTime = end;
    }
    piece.show?.(now / piece.seconds);
    requestAnimationFrame(() => this.#follow());
  }

  #next() {
    this.#pieces[this.#at]?.show?.(1);
    if (this.#at + 1 < this.#pieces.length) {
      this.#begin(this.#at + 1);
    } else {
      this.#at = -1;
      this.#told();
      this.dispatchEvent(new Event('end'));
    }
  }

  #damaged() {
    this.dispatchEvent(new Event('damaged'));
    this.#next();
  }

  #told() {
    this.dispatchEvent(new Event('state'));
  }
}
