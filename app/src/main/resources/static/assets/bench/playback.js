// Plays the pieces of an edited take out of its original, with the cross-fades that the server makes.

const FADE_S = 0.01;

export class Playback {
  #context = new AudioContext();
  #sources = [];
  #buffers = new Map();
  #began = 0;
  #order = [];
  // Which call to play is the newest that nobody stopped; null: none.
  #turn = null;

  /** Fetches and decodes a sound once; answers it. */
  async load(address) {
    if (!this.#buffers.has(address)) {
      this.#buffers.set(address, fetch(address).then(async (response) => {
        if (!response.ok) {
          throw new Error(`answered ${response.status}`);
        }
        return this.#context.decodeAudioData(await response.arrayBuffer());
      }).catch((failure) => {
        this.#buffers.delete(address);
        throw failure;
      }));
    }
    return this.#buffers.get(address);
  }

  /** Whether it plays, or will as soon as the sound is there. */
  get isPlaying() {
    return this.#turn !== null;
  }

  get isHeard() {
    return this.#sources.length > 0;
  }

  /**
   * @param pieces of the original, and pauses, in order
   * @param gainDb of all
   * @param onEnd when all of it was heard
   * @returns whether it began: not if it was stopped, or played anew, before the sound was there
   */
  async play(address, pieces, gainDb, onEnd) {
    this.stop();
    const turn = Symbol('turn');
    this.#turn = turn;
    let buffer;
    try {
      buffer = await this.load(address);
      await this.#context.resume();
    } catch (failure) {
      if (this.#turn === turn) {
        this.#turn = null;
      }
      throw failure;
    }
    if (this.#turn !== turn) {
      return false;
    }
    const volume = this.#context.createGain();
    volume.gain.value = 10 ** (gainDb / 20);
    volume.connect(this.#context.destination);
    let at = this.#context.currentTime + 0.02;
    this.#began = at;
    this.#order = [];
    pieces.forEach((piece) => {
      const seconds = (piece.pauseMs || piece.endMs - piece.startMs) / 1000;
      if (!piece.pauseMs) {
        const source = this.#context.createBufferSource();
        const fade = this.#context.createGain();
        source.buffer = buffer;
        source.connect(fade).connect(volume);
        fade.gain.setValueAtTime(0, at);
        fade.gain.linearRampToValueAtTime(1, at + FADE_S);
        fade.gain.setValueAtTime(1, Math.max(at + FADE_S, at + seconds - FADE_S));
        fade.gain.linearRampToValueAtTime(0, at + seconds);
        source.start(at, piece.startMs / 1000, seconds);
        this.#sources.push(source);
        this.#order.push({ at, seconds, startMs: piece.startMs });
      }
      at += seconds;
    });
    this.#sources[this.#sources.length - 1].onended = () => {
      this.stop();
      onEnd();
    };
    return true;
  }

  /** Where in the original it is now, in ms. */
  get originalMs() {
    const now = this.#context.currentTime;
    const current = [...this.#order].reverse().find((each) => each.at <= now) ?? this.#order[0];
    return current ? current.startMs + Math.min(current.seconds, Math.max(0, now - current.at)) * 1000 : 0;
  }

  stop() {
    this.#sources.forEach((source) => {
      source.onended = null;
      source.stop();
    });
    this.#sources = [];
    this.#turn = null;
  }
}
