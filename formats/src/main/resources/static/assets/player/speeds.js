// How fast lines are said: at first as is best for this child, then others in turns.
import { say } from '../platform/words.js';

const OWN = Number(document.body.dataset.speed ?? 100) / 100;
const SPEEDS = [...new Set([OWN, 1, 0.75, 1.25])];

export class Speeds {
  #now = 0;

  get rate() {
    return SPEEDS[this.#now];
  }

  next() {
    this.#now = (this.#now + 1) % SPEEDS.length;
  }

  /** @param voices that say lines */
  show(voices) {
    voices.forEach((voice) => {
      voice.defaultPlaybackRate = this.rate;
      voice.playbackRate = this.rate;
    });
    document.getElementById('speed-number').textContent = this.rate;
    document.getElementById('speed').setAttribute('aria-label', say(`speed.${this.rate}`));
  }
}
