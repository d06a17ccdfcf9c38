// The uploader carries chunks from the chunk store to the server, in order, as often as it takes.
import { Answer, send } from '../platform/requests.js';
import { served } from '../platform/served.js';
import { dropChunk, firstChunk } from './chunk-store.js';
import { forgetPending, settlePending } from './pending.js';

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 5000;

/** Where a recording goes: a phone's by the secret of its read-through, all others as whoever is signed in. */
export const addressOf = (recording) => `${recording.through || served('')}/recordings/${recording.id}`;

const NO_ROOM = 507;

function stateAfter(failure) {
  if (!(failure instanceof Answer)) {
    return 'offline';
  }
  return failure.status === NO_ROOM ? 'noRoom' : failure.needsSignIn ? 'signedOut' : 'offline';
}

export class ChunkUploader {
  #wake = () => {};
  #stopped = false;
  #trip = null;

  /**
   * @param recording as in the chunk store
   * @param onState called with 'stored', 'offline', 'noRoom', 'signedOut' or 'lost' as things go
   */
  constructor(recording, onState = () => {}) {
    this.recording = recording;
    this.onState = onState;
    window.addEventListener('online', () => this.#wake());
  }

  /** Carries whatever is in the chunk store. Call it after every new chunk; while it is on its way, it does nothing. */
  upload() {
    this.#trip ??= this.#carryAll().finally(() => { this.#trip = null; });
    return this.#trip;
  }

  /** Answers when the chunk store is empty, or nothing more can be carried. */
  async emptied() {
    await this.upload();
    if (!this.#stopped && (await firstChunk(this.recording.id))) {
      await this.emptied();
    }
  }

  async #carryAll() {
    let wait = FIRST_WAIT_MS;
    for (let chunk = await firstChunk(this.recording.id); chunk && !this.#stopped; chunk = await firstChunk(this.recording.id)) {
      try {
        await this.#put(chunk);
        await dropChunk(chunk.recording, chunk.number);
        settlePending(chunk.recording, chunk.data.byteLength);
        wait = FIRST_WAIT_MS;
        this.onState('stored');
      } catch (failure) {
        if (failure instanceof Answer && (failure.status === 404 || failure.status === 413)) {
          this.stop();
          forgetPending(this.recording.id);
          this.onState('lost');
          return;
        }
        this.onState(stateAfter(failure));
        await this.#pause(wait);
        wait = Math.min(LONGEST_WAIT_MS, wait * 2);
      }
    }
  }

  stop() {
    this.#stopped = true;
    this.#wake();
  }

  #put(chunk) {
    const { line, type } = this.recording;
    return send('PUT', `${addressOf(this.recording)}/chunks/${chunk.number}?line=${line}`, chunk.data, { 'Content-Type': type });
  }

  #pause(ms) {
    return new Promise((resolve) => {
      this.#wake = resolve;
      setTimeout(resolve, ms);
    });
  }
}

/**
 * Ends a recording whose chunks have all been carried; answers the verdict as HTML. Tries until the server answers.
 *
 * @param more what else the server should know: words that were shown, whether to keep the take at once
 */
export async function end(recording, onState = () => {}, more = {}) {
  for (let wait = FIRST_WAIT_MS; ; wait = Math.min(LONGEST_WAIT_MS, wait * 2)) {
    try {
      const response = await send('POST', `${addressOf(recording)}/end`, new URLSearchParams({ chunks: recording.count, ...more }));
      return await response.text();
    } catch (failure) {
      if (failure instanceof Answer && !failure.needsSignIn && failure.status < 500) {
        throw failure;
      }
      onState(stateAfter(failure));
      await new Promise((resolve) => { setTimeout(resolve, wait); });
    }
  }
}
