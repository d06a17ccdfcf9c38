// Samples in, a WebM file with Opus out, piece by piece: a sixteenth of what they take as they are, for slow lines.
import { Muxer, StreamTarget } from 'webm-muxer';

const BITS_PER_SECOND = 48_000;
const MEDIA_TYPE = 'audio/webm;codecs=opus';

const settings = (sampleRate) => ({ codec: 'opus', sampleRate, numberOfChannels: 1, bitrate: BITS_PER_SECOND });

/** Whether this browser can. */
export async function canEncode(sampleRate) {
  return Boolean(window.AudioEncoder) && (await AudioEncoder.isConfigSupported(settings(sampleRate))).supported;
}

export class OpusStream {
  #samples = 0;
  #written = 0;

  /** @param onBytes called with each piece of the file, in order */
  constructor(sampleRate, onBytes) {
    this.sampleRate = sampleRate;
    this.failed = false;
    this.type = MEDIA_TYPE;
    this.muxer = new Muxer({
      target: new StreamTarget({ onData: (data, position) => this.#take(data, position, onBytes) }),
      audio: { codec: 'A_OPUS', numberOfChannels: 1, sampleRate },
      streaming: true,
    });
    this.encoder = new AudioEncoder({ output: (chunk, about) => this.muxer.addAudioChunk(chunk, about), error: () => { this.failed = true; } });
    this.encoder.configure(settings(sampleRate));
  }

  /** What is written is never written again: a piece that has gone can't be changed. */
  #take(data, position, onBytes) {
    this.failed ||= position !== this.#written;
    this.#written += data.length;
    onBytes(data.slice());
  }

  push(samples) {
    if (this.failed) {
      return;
    }
    const timestamp = (this.#samples * 1e6) / this.sampleRate;
    this.#samples += samples.length;
    const data = new AudioData({ format: 'f32-planar', sampleRate: this.sampleRate, numberOfFrames: samples.length, numberOfChannels: 1, timestamp, data: samples });
    this.encoder.encode(data);
    data.close();
  }

  /** All that was pushed is in the file then. */
  async end() {
    try {
      await this.encoder.flush();
      this.muxer.finalize();
      this.encoder.close();
    } catch (failure) {
      this.failed = true;
    }
  }
}
