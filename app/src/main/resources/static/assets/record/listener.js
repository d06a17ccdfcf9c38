// The worklet behind the read-through: hands every sample of the microphone to the page, in blocks.

const BLOCK = 2048;

class Listener extends AudioWorkletProcessor {
  constructor() {
    super();
    this.block = new Float32Array(BLOCK);
    this.held = 0;
  }

  process(inputs) {
    const channel = inputs[0][0];
    if (channel) {
      for (const sample of channel) {
        this.block[this.held++] = sample;
        if (this.held === BLOCK) {
          this.port.postMessage(this.block);
          this.block = new Float32Array(BLOCK);
          this.held = 0;
        }
      }
    }
    return true;
  }
}

registerProcessor('listener', Listener);
