// Sees when a sound stops coming in its middle, and gets it going again by itself: a dead network says nothing to a page.

const LOOK_MS = 400;
const STUCK_MS = 2_500;
const AGAIN_MS = 3_000;
const AT_END_S = 0.05;

export class StallWatch {
  #voice = null;

  #at = 0;

  #movedAt = 0;

  #triedAt = 0;

  #timer = 0;

  #onStuck;

  #onHealed;

  stuck = false;

  /** @param onStuck called when a sound that should go on doesn't @param onHealed when it does again */
  constructor({ onStuck, onHealed }) {
    this.#onStuck = onStuck;
    this.#onHealed = onHealed;
    window.addEventListener('online', () => this.stuck && this.again());
  }

  /** This voice is to go on from now on. */
  follow(voice) {
    this.#voice = voice;
    this.#at = voice.currentTime;
    this.#movedAt = performance.now();
    clearInterval(this.#timer);
    this.#timer = setInterval(() => this.#look(), LOOK_MS);
  }

  /** It was stopped on purpose, or is over. */
  forget() {
    clearInterval(this.#timer);
    this.#voice = null;
    this.stuck = false;
  }

  /** The browser itself says that nothing comes. */
  failed() {
    if (this.#voice && !this.stuck) {
      this.#stopOrEnd();
    }
  }

  #look() {
    const now = performance.now();
    if (this.#voice.currentTime !== this.#at) {
      this.#at = this.#voice.currentTime;
      this.#movedAt = now;
      if (this.stuck) {
        this.stuck = false;
        this.#onHealed();
      }
    } else if (!this.stuck && now - this.#movedAt > STUCK_MS) {
      this.#stopOrEnd();
    } else if (this.stuck && now - this.#triedAt > AGAIN_MS) {
      this.again();
    }
  }

  /** Put to its very end before it had come, a sound is over, and some browsers say nothing, or that nothing comes. */
  #stopOrEnd() {
    const voice = this.#voice;
    if (voice.ended || voice.currentTime >= voice.duration - AT_END_S) {
      this.forget();
      voice.dispatchEvent(new Event('ended'));
    } else {
      this.#stop();
    }
  }

  #stop() {
    this.stuck = true;
    this.#triedAt = performance.now();
    this.#onStuck();
  }

  /** Fetches the sound anew and goes on where it stopped. */
  again() {
    const voice = this.#voice;
    const at = this.#at;
    this.#triedAt = performance.now();
    voice.load();
    voice.currentTime = at;
    this.#at = voice.currentTime;
    voice.play().catch(() => {});
  }
}
