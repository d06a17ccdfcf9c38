// One line's take within a read-through: samples in, chunks of one second out, by the same store and uploader as ever. As they
// are, or, on a slow line, as Opus.
import { newId } from '../platform/new-id.js';
import { lockName } from './resume-uploads.js';
import { addressOf, ChunkUploader, end } from './chunk-uploader.js';
import { dropRecording, putChunk, putRecording } from './chunk-store.js';
import { addPending, forgetPending } from './pending.js';
import { send } from '../platform/requests.js';

const UNKNOWN_SIZE = 0xffffffff;

/** The head of a WAV file whose length isn't known yet: mono, 16 bits. */
function wavHead(sampleRate) {
  const head = new DataView(new ArrayBuffer(44));
  const text = (at, words) => [...words].forEach((letter, i) => head.setUint8(at + i, letter.charCodeAt(0)));
  text(0, 'RIFF');
  head.setUint32(4, UNKNOWN_SIZE, true);
  text(8, 'WAVEfmt ');
  head.setUint32(16, 16, true);
  head.setUint16(20, 1, true);
  head.setUint16(22, 1, true);
  head.setUint32(24, sampleRate, true);
  head.setUint32(28, sampleRate * 2, true);
  head.setUint16(32, 2, true);
  head.setUint16(34, 16, true);
  text(36, 'data');
  head.setUint32(40, UNKNOWN_SIZE, true);
  return head.buffer;
}

function sixteenBits(samples) {
  const bits = new Int16Array(samples.length);
  samples.forEach((sample, i) => { bits[i] = Math.max(-32768, Math.min(32767, Math.round(sample * 32767))); });
  return bits;
}

/** Null when this browser can't after all. */
function encoderOf(Encoder, sampleRate, onBytes) {
  try {
    return new Encoder(sampleRate, onBytes);
  } catch (failure) {
    return null;
  }
}

export class LineTake {
  #written = Promise.resolve();
  #number = 0;
  #held = [];
  #heldCount = 0;
  #stream = null;
  #raw = [];
  #release = () => {};

  /**
   * @param through the way to the server; empty: as whoever is signed in
   * @param Encoder what makes it small; null: it goes as it is
   * @param before the take that was ended by the same key; null: nothing was said before it
   */
  constructor(line, sampleRate, overlapMs, through, onState, Encoder = null, before = null) {
    this.line = line;
    this.sampleRate = sampleRate;
    this.onState = onState;
    if (Encoder) {
      this.#stream = encoderOf(Encoder, sampleRate, (bytes) => { this.#held.push(bytes); });
    }
    this.through = through;
    this.overlapMs = overlapMs;
    this.before = before;
    const after = before ? `;after=${before.recording.id}` : '';
    this.recording = { id: newId(), through, line: line.id, words: line.words, type: `${this.#stream?.type ?? 'audio/wav'};overlap=${overlapMs}${after}`, startedAt: Date.now(), count: null };
    this.uploader = new ChunkUploader(this.recording, onState);
    this.count = 0;
    navigator.locks?.request(lockName(this.recording.id), () => new Promise((resolve) => { this.#release = resolve; }));
    this.#written = putRecording(this.recording);
    if (!this.#stream) {
      this.#store(wavHead(sampleRate));
    }
  }

  /** How much was recorded, in ms. */
  get elapsedMs() {
    return (this.count * 1000) / this.sampleRate;
  }

  push(samples) {
    this.count += samples.length;
    this.#heldCount += samples.length;
    if (this.#stream) {
      this.#raw.push(samples);
      this.#stream.push(samples);
    } else {
      this.#held.push(new Uint8Array(sixteenBits(samples).buffer));
    }
    if (this.#heldCount >= this.sampleRate) {
      this.#flush();
    }
  }

  /** A chunk without a sound in it would be taken for one that was lost on the way, and asked for for ever. */
  #flush() {
    const whole = new Uint8Array(this.#held.reduce((sum, part) => sum + part.length, 0));
    let at = 0;
    this.#held.forEach((part) => { whole.set(part, at); at += part.length; });
    this.#held = [];
    this.#heldCount = 0;
    if (whole.length > 0) {
      this.#store(whole.buffer);
    }
  }

  #store(buffer) {
    const number = this.#number++;
    addPending(this.recording.id, buffer.byteLength);
    this.#written = this.#written.then(() => putChunk(this.recording.id, number, buffer)).then(() => {
      this.uploader.upload();
    }).catch(() => this.onState('full'));
  }

  /** Nothing more comes; answers the server's verdict as HTML. The take is kept on its line, or lies beside the kept one. */
  async finish(keep = true) {
    await this.#stream?.end();
    if (this.#stream?.failed) {
      return this.#asItIs(keep);
    }
    this.#flush();
    await this.#written;
    this.recording.count = this.#number;
    await putRecording(this.recording);
    await this.uploader.emptied();
    const verdict = await end(this.recording, this.onState, { keep, words: this.line.words });
    await dropRecording(this.recording.id);
    forgetPending(this.recording.id);
    this.#release();
    return verdict;
  }

  /** What could not be made small goes as it is, all of it. */
  async #asItIs(keep) {
    const plain = new LineTake(this.line, this.sampleRate, this.overlapMs, this.through, this.onState, null, this.before);
    this.#raw.forEach((samples) => plain.push(samples));
    const verdict = await plain.finish(keep);
    await this.throwAway();
    return verdict;
  }

  /** Throws the take away, here and on the server. */
  async throwAway() {
    this.uploader.stop();
    forgetPending(this.recording.id);
    await this.#written;
    await dropRecording(this.recording.id);
    this.#release();
    await send('DELETE', addressOf(this.recording)).catch(() => {});
  }
}
