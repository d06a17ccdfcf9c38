// The microphone: opening it, choosing it, its level, and what is in the way when it doesn't open.

const INPUT_KEY = 'microphone';
const METER_FLOOR_DB = -60;

/** The best type this browser records: Opus in WebM, or AAC in MP4. */
export function bestType() {
  const types = ['audio/webm;codecs=opus', 'audio/mp4;codecs=mp4a.40.2', 'audio/mp4', 'audio/ogg;codecs=opus', 'audio/webm'];
  return types.find((type) => MediaRecorder.isTypeSupported(type)) ?? '';
}

/** Why there is no microphone, as the key of the words that explain it. */
export function troubleOf(failure) {
  if (!window.isSecureContext || !navigator.mediaDevices) {
    return 'insecure';
  }
  if (!window.MediaRecorder) {
    return 'oldBrowser';
  }
  return { NotAllowedError: 'blocked', SecurityError: 'blocked', NotFoundError: 'missing', OverconstrainedError: 'missing', NotReadableError: 'busy', AbortError: 'busy' }[failure?.name] ?? 'unknown';
}

/** Which browser's words to use for "how to allow it". */
export function browserName() {
  const agent = navigator.userAgent;
  if (/iPad|iPhone|Macintosh.*Mobile/.test(agent)) return 'ipad';
  if (/Firefox/.test(agent)) return 'firefox';
  if (/Edg\//.test(agent)) return 'edge';
  if (/Chrome|Chromium/.test(agent)) return 'chrome';
  return /Safari/.test(agent) ? 'safari' : 'other';
}

export class Microphone {
  async open(deviceId = localStorage.getItem(INPUT_KEY)) {
    this.close();
    const wanted = { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 };
    if (deviceId) {
      wanted.deviceId = { ideal: deviceId };
    }
    this.stream = await navigator.mediaDevices.getUserMedia({ audio: wanted });
    this.context = new AudioContext();
    this.analyser = this.context.createAnalyser();
    this.analyser.fftSize = 2048;
    this.context.createMediaStreamSource(this.stream).connect(this.analyser);
    this.samples = new Float32Array(this.analyser.fftSize);
  }

  close() {
    this.stream?.getTracks().forEach((track) => track.stop());
    this.context?.close();
    this.stream = null;
    this.context = null;
  }

  get deviceId() {
    return this.stream?.getAudioTracks()[0]?.getSettings().deviceId;
  }

  /** The inputs there are, with their names (which browsers tell only after permission). */
  async inputs() {
    const devices = await navigator.mediaDevices.enumerateDevices();
    return devices.filter((device) => device.kind === 'audioinput');
  }

  remember(deviceId) {
    localStorage.setItem(INPUT_KEY, deviceId);
  }

  /** The loudest sample of the last 40 ms, 0 to 1. */
  peak() {
    if (!this.context) {
      return 0;
    }
    this.context.resume();
    this.analyser.getFloatTimeDomainData(this.samples);
    return this.samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
  }
}

/** A peak as a share of the meter, 0 to 1, on a scale of decibels. */
export function meterShare(peak) {
  const db = 20 * Math.log10(Math.max(peak, 1e-6));
  return Math.max(0, Math.min(1, 1 - db / METER_FLOOR_DB));
}
