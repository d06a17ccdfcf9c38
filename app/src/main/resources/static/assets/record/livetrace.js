// The ink trace of a recording while it is made: one continuous stroke on the rule.

const WIDTH = 640;
const RULE = 86;
const RISE = 80;
const SHAPE = 0.65;
const STROKES = 103;

export class LiveTrace {
  /** @param expectedMs about how long the line takes to say: the trace then fills about three quarters of the rule */
  constructor(svg, expectedMs) {
    this.path = svg.querySelector('.ink');
    this.fullMs = Math.max(2000, expectedMs / 0.75);
    this.clear();
  }

  clear() {
    this.peaks = [];
    this.path.setAttribute('d', `M0 ${RULE}`);
  }

  /** Adds what was loudest since the last call. */
  add(elapsedMs, peak) {
    while (elapsedMs > this.fullMs) {
      this.fullMs *= 2;
      this.peaks = this.peaks.filter((_, i) => i % 2 === 0).map((each, i) => Math.max(each, this.peaks[2 * i + 1] ?? 0));
    }
    const at = Math.floor((elapsedMs / this.fullMs) * STROKES);
    for (let i = this.peaks.length; i <= at; i++) {
      this.peaks[i] = 0;
    }
    this.peaks[at] = Math.max(this.peaks[at], peak);
    this.draw();
  }

  draw() {
    const step = WIDTH / STROKES;
    let d = `M0 ${RULE}`;
    this.peaks.forEach((peak, i) => {
      const rise = Math.min(1, peak ** SHAPE) * RISE;
      if (rise < 1.5) {
        d += ` L${(i * step).toFixed(1)} ${RULE}`;
      } else {
        d += ` L${((i + 0.45) * step).toFixed(1)} ${(RULE - rise).toFixed(1)} L${((i + 1) * step).toFixed(1)} ${(RULE - rise * 0.1).toFixed(1)}`;
      }
    });
    this.path.setAttribute('d', d);
  }
}
