// Background sounds: they go on under the others, and more quietly while somebody speaks.
import { ruleOf } from './rule.js';

const UNDER_SPEECH = 0.3;

export class BackgroundAudio {
  #sounds = new Map();

  #quiet = false;

  /** Starts the background of a spot, or ends it when it sounds. Fails when the browser wants a press first. */
  async toggle(spot) {
    if (this.isOn(spot)) {
      this.#sounds.get(spot.dataset.line).audio.pause();
      this.#sounds.delete(spot.dataset.line);
      return;
    }
    const rule = ruleOf(spot);
    const audio = new Audio(spot.dataset.sound);
    audio.loop = rule.times === 0;
    let left = rule.times;
    audio.addEventListener('ended', () => {
      left -= 1;
      if (left > 0) {
        audio.play();
      } else {
        this.#sounds.delete(spot.dataset.line);
      }
    });
    this.#sounds.set(spot.dataset.line, { audio, rule });
    this.#level();
    try {
      await audio.play();
    } catch (failure) {
      this.#sounds.delete(spot.dataset.line);
      throw failure;
    }
  }

  isOn(spot) {
    return this.#sounds.has(spot.dataset.line);
  }

  /** Ends what ends with its page; what goes on sounds to its end. */
  leave() {
    this.#sounds.forEach(({ audio, rule }, line) => {
      audio.loop = false;
      if (!rule.goesOn) {
        audio.pause();
        this.#sounds.delete(line);
      }
    });
  }

  /** Whether somebody speaks now. */
  under(speech) {
    this.#quiet = speech;
    this.#level();
  }

  #level() {
    this.#sounds.forEach(({ audio, rule }) => {
      audio.volume = rule.volume * (this.#quiet ? UNDER_SPEECH : 1);
    });
  }
}
