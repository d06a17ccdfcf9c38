// One recording in the making: the media recorder, its chunks into the chunk store, the uploader behind it.
import { newId } from '../platform/new-id.js';
import { lockName } from './resume-uploads.js';
import { addressOf, ChunkUploader, end } from './chunk-uploader.js';
import { dropRecording, putChunk, putRecording } from './chunk-store.js';
import { bestType } from './microphone.js';
import { addPending, forgetPending } from './pending.js';
import { send } from '../platform/requests.js';

const CHUNK_MS = 1000;

export class TakeInTheMaking {
  #written = Promise.resolve();
  #number = 0;
  #release = () => {};

  /** @param through the way to the server; undefined: as whoever is signed in */
  constructor(line, words, stream, onState, through = undefined) {
    const type = bestType();
    this.recorder = new MediaRecorder(stream, { ...(type ? { mimeType: type } : {}), audioBitsPerSecond: 96000 });
    this.recording = {
      id: newId(), through, line, words, type: this.recorder.mimeType || type, startedAt: Date.now(), count: null,
    };
    this.onState = onState;
    this.uploader = new ChunkUploader(this.recording, onState);
    this.recordedMs = 0;
  }

  async start() {
    // Held as long as this tab records, so that no other tab takes it for a left-over.
    navigator.locks?.request(lockName(this.recording.id), () => new Promise((resolve) => { this.#release = resolve; }));
    await putRecording(this.recording);
    this.recorder.addEventListener('dataavailable', (event) => this.#store(event.data));
    this.recorder.start(CHUNK_MS);
    this.since = performance.now();
  }

  #store(blob) {
    if (blob.size === 0) {
      return;
    }
    const number = this.#number++;
    this.#written = this.#written.then(async () => {
      addPending(this.recording.id, blob.size);
      await putChunk(this.recording.id, number, await blob.arrayBuffer());
      this.uploader.upload();
    }).catch(() => this.onState('full'));
  }

  /** What was recorded, pauses left out, in ms. */
  get elapsedMs() {
    return this.recordedMs + (this.recorder.state === 'recording' ? performance.now() - this.since : 0);
  }

  pause() {
    this.recordedMs = this.elapsedMs;
    this.recorder.pause();
  }

  goOn() {
    this.since = performance.now();
    this.recorder.resume();
  }

  async #stopRecorder() {
    if (this.recorder.state === 'inactive') {
      return;
    }
    const stopped = new Promise((resolve) => { this.recorder.addEventListener('stop', resolve, { once: true }); });
    this.recordedMs = this.elapsedMs;
    this.recorder.stop();
    await stopped;
    await this.#written;
  }

  /** Records for this page alone: nothing is kept. */
  tryOut() {
    this.triedParts = [];
    this.recorder.addEventListener('dataavailable', ({ data }) => this.triedParts.push(data));
    this.recorder.start();
    this.since = performance.now();
  }

  /** Stops; answers what was recorded for this page alone. */
  async tried() {
    await this.#stopRecorder();
    return new Blob(this.triedParts, { type: this.recording.type });
  }

  /**
   * Stops; answers the server's verdict once everything is there.
   *
   * @param more what else the server should know
   */
  async finish(more = { words: this.recording.words }) {
    await this.#stopRecorder();
    this.recording.count = this.#number;
    await putRecording(this.recording);
    await this.uploader.emptied();
    const verdict = await end(this.recording, this.onState, more);
    await dropRecording(this.recording.id);
    forgetPending(this.recording.id);
    this.#release();
    return verdict;
  }

  /** Throws the recording away, here and on the server. */
  async throwAway() {
    this.uploader.stop();
    await this.#stopRecorder();
    await dropRecording(this.recording.id);
    forgetPending(this.recording.id);
    this.#release();
    await send('DELETE', addressOf(this.recording)).catch(() => {});
  }
}
