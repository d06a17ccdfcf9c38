// The open ear of a read-through: one microphone stream throughout, its last moments remembered, and whether somebody speaks.
import { Microphone } from './microphone.js';

/** Every take has this much from before its key press and after it: a thumb is seldom further off the pause than half a second. */
export const OVERLAP_MS = 700;

const NOISE_RISE = 1.002;
const VOICE_OVER_NOISE = 4;
const QUIETEST = 0.002;

export class MicrophoneCapture {
  #recent = [];
  #recentCount = 0;
  #takes = new Map();
  #noise = 0.01;

  constructor() {
    this.microphone = new Microphone();
    this.speaking = false;
    this.quietMs = 0;
    this.spokenMs = 0;
    this.loudest = 0;
  }

  async open() {
    await this.microphone.open();
    const { context } = this.microphone;
    await context.audioWorklet.addModule(new URL('../record/listener.js', import.meta.url));
    this.node = new AudioWorkletNode(context, 'listener', { numberOfOutputs: 0 });
    context.createMediaStreamSource(this.microphone.stream).connect(this.node);
    this.node.port.onmessage = (event) => this.#hear(event.data);
    await context.resume();
    this.sampleRate = context.sampleRate;
  }

  #hear(block) {
    const power = Math.sqrt(block.reduce((sum, sample) => sum + sample * sample, 0) / block.length);
    const ms = (block.length * 1000) / this.sampleRate;
    this.#noise = Math.min(Math.max(power, QUIETEST), this.#noise * NOISE_RISE);
    this.speaking = power > VOICE_OVER_NOISE * this.#noise;
    this.quietMs = this.speaking ? 0 : this.quietMs + ms;
    this.spokenMs += this.speaking ? ms : 0;
    this.loudest = block.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
    this.#takes.forEach((rest, take) => {
      take.push(block);
      if (rest.left !== null && (rest.left -= block.length) <= 0) {
        this.#takes.delete(take);
        rest.done();
      }
    });
    this.#recent.push(block);
    this.#recentCount += block.length;
    while (this.#recentCount - this.#recent[0].length >= (OVERLAP_MS / 1000) * this.sampleRate) {
      this.#recentCount -= this.#recent.shift().length;
    }
  }

  /** The take hears from now on, and what was just before. */
  begin(take) {
    this.#recent.forEach((block) => take.push(block));
    this.#takes.set(take, { left: null });
    this.quietMs = 0;
    this.spokenMs = 0;
  }

  /** The take hears a little longer; answers when it has. */
  end(take) {
    return new Promise((done) => {
      this.#takes.set(take, { left: (OVERLAP_MS / 1000) * this.sampleRate, done });
    });
  }

  /** The take hears nothing more. */
  drop(take) {
    this.#takes.delete(take);
  }

  close() {
    this.microphone.close();
  }
}
