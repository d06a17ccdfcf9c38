// The original of a take as a wave, with what its edits take away, on a canvas. Times are ms of the original.

// Of the height, what the loudest peak takes above the line and below it.
const ABOVE = 0.6;
const BELOW = 0.22;
const CUT_EDGE_PX = 6;
const INK = '#1f3442';
const WASHED = '#c9c4b6';
const DESK = '#e9e4d8';
const RULE = '#bcd0dc';
const MOSS = '#3c7254';
const SLATE = '#5d6b76';
const DOUBT = '#b63a32';

/** Lower waves have no room for seconds. */
const LABELLED_PX = 90;

export const loudestOf = (magnitudes) => magnitudes.reduce((most, each) => Math.max(most, each), 1);

export class Wave {
  /** @param loudest of all the magnitudes, for those who draw many stretches of one sound */
  constructor(canvas, magnitudes, waveMs, loudest = loudestOf(magnitudes)) {
    this.canvas = canvas;
    this.magnitudes = magnitudes;
    this.waveMs = waveMs;
    this.wholeMs = magnitudes.length * waveMs;
    this.loudest = loudest;
    this.from = 0;
    this.span = this.wholeMs;
  }

  get width() {
    return this.canvas.clientWidth;
  }

  x(ms) {
    return ((ms - this.from) / this.span) * this.width;
  }

  ms(x) {
    return Math.max(0, Math.min(this.wholeMs, Math.round(this.from + (x / this.width) * this.span)));
  }

  /** Zooms around a moment; more than 1 comes closer. */
  zoom(by, aroundMs) {
    const share = (aroundMs - this.from) / this.span;
    this.span = Math.max(200, Math.min(this.wholeMs, this.span / by));
    this.scrollTo(aroundMs - share * this.span);
  }

  scrollTo(from) {
    this.from = Math.max(0, Math.min(this.wholeMs - this.span, from));
  }

  /** Brings a moment into view. */
  show(ms) {
    if (ms < this.from || ms > this.from + this.span) {
      this.scrollTo(ms - this.span * 0.2);
    }
  }

  #exactMs(x) {
    return this.from + (x / this.width) * this.span;
  }

  /** The largest of what a stretch touches; of one shorter than a value, what lies between it and its neighbours. */
  #magnitude(fromMs, toMs) {
    if (toMs - fromMs < this.waveMs) {
      const at = Math.max(0, Math.min(this.magnitudes.length - 1, (fromMs + toMs) / 2 / this.waveMs - 0.5));
      const before = this.magnitudes[Math.floor(at)] ?? 0;
      const after = this.magnitudes[Math.ceil(at)] ?? 0;
      return (before + (after - before) * (at - Math.floor(at))) / this.loudest;
    }
    const first = Math.max(0, Math.floor(fromMs / this.waveMs));
    const last = Math.min(this.magnitudes.length, Math.max(first + 1, Math.ceil(toMs / this.waveMs)));
    let most = 0;
    for (let i = first; i < last; i++) {
      most = Math.max(most, this.magnitudes[i]);
    }
    return most / this.loudest;
  }

  /**
   * @param pieces that are kept, in order
   * @param doubts moments to be looked at
   */
  draw({ pieces, cursor, selection, say, doubts = [] }) {
    const scale = window.devicePixelRatio || 1;
    const height = this.canvas.clientHeight;
    if (this.canvas.width !== Math.round(this.width * scale)) {
      this.canvas.width = Math.round(this.width * scale);
      this.canvas.height = Math.round(height * scale);
    }
    const pen = this.canvas.getContext('2d');
    pen.setTransform(scale, 0, 0, scale, 0, 0);
    pen.clearRect(0, 0, this.width, height);
    const middle = height * 0.7;
    this.#rules(pen, height, middle);
    const kept = pieces.filter((piece) => piece.endMs > 0);
    this.#gone(pen, height, kept, say);
    this.#ink(pen, height, middle, kept);
    this.#times(pen, height);
    if (selection && selection.end > selection.start) {
      pen.fillStyle = 'rgba(60, 114, 84, .16)';
      pen.fillRect(this.x(selection.start), 0, this.x(selection.end) - this.x(selection.start), height);
    }
    this.#pauses(pen, height, pieces, say);
    pen.fillStyle = DOUBT;
    doubts.forEach((ms) => {
      pen.beginPath();
      pen.moveTo(this.x(ms), height - 13);
      pen.lineTo(this.x(ms) + 6, height - 2);
      pen.lineTo(this.x(ms) - 6, height - 2);
      pen.fill();
    });
    pen.fillStyle = MOSS;
    pen.fillRect(this.x(cursor) - 1, 0, 2, height);
  }

  #rules(pen, height, middle) {
    pen.strokeStyle = RULE;
    pen.lineWidth = 1;
    pen.setLineDash([3, 6]);
    [0.28, 0.5].forEach((share) => {
      pen.beginPath();
      pen.moveTo(0, height * share);
      pen.lineTo(this.width, height * share);
      pen.stroke();
    });
    pen.setLineDash([]);
    pen.beginPath();
    pen.moveTo(0, middle);
    pen.lineTo(this.width, middle);
    pen.stroke();
  }

  #times(pen, height) {
    if (height < LABELLED_PX) {
      return;
    }
    const steps = [100, 200, 500, 1000, 2000, 5000, 10000, 30000, 60000, 120000];
    const step = steps.find((each) => (each / this.span) * this.width > 90) ?? 300000;
    pen.fillStyle = SLATE;
    pen.font = '12px Lexend, sans-serif';
    for (let ms = Math.ceil(this.from / step) * step; ms < this.from + this.span; ms += step) {
      pen.fillText(`${(ms / 1000).toFixed(step < 1000 ? 1 : 0)} s`, this.x(ms) + 4, 16);
    }
  }

  /** What the edits take away: before, between and after the kept pieces; a cut has torn edges. */
  #gone(pen, height, kept, say) {
    let at = 0;
    [...kept, { startMs: this.wholeMs, endMs: this.wholeMs }].forEach((piece, i) => {
      if (piece.startMs > at) {
        const from = this.x(at);
        const to = this.x(piece.startMs);
        const torn = i > 0 && i < kept.length && to - from > 3 * CUT_EDGE_PX;
        pen.fillStyle = DESK;
        pen.beginPath();
        pen.moveTo(from, 0);
        for (let y = 0, k = 0; y <= height; y += 18, k++) {
          pen.lineTo(from - (torn && k % 2 ? CUT_EDGE_PX : 0), y);
        }
        pen.lineTo(from, height);
        pen.lineTo(to, height);
        for (let y = height, k = 0; y >= 0; y -= 18, k++) {
          pen.lineTo(to + (torn && k % 2 ? CUT_EDGE_PX : 0), y);
        }
        pen.lineTo(to, 0);
        pen.fill();
        if (torn && to - from > 90) {
          pen.fillStyle = SLATE;
          pen.font = '14px Lexend, sans-serif';
          pen.textAlign = 'center';
          pen.fillText(say('cutOut', { seconds: ((piece.startMs - at) / 1000).toFixed(1) }), (from + to) / 2, height - 40);
          pen.textAlign = 'start';
        }
      }
      at = Math.max(at, piece.endMs);
    });
  }

  /** The peak of each pixel of the screen: above the line, and, smaller, below it. */
  #outline(height, middle, step) {
    const sizes = [];
    for (let px = 0; px <= this.width; px += step) {
      sizes.push(this.#magnitude(this.#exactMs(px), this.#exactMs(px + step)));
    }
    const outline = new Path2D();
    outline.moveTo(0, middle);
    sizes.forEach((size, i) => outline.lineTo(i * step, middle - Math.max(0.6, size * height * ABOVE)));
    for (let i = sizes.length - 1; i >= 0; i--) {
      outline.lineTo(i * step, middle + Math.max(0.6, sizes[i] * height * BELOW));
    }
    outline.closePath();
    return outline;
  }

  /** What is kept in ink, what isn't washed out; the border is where the cut is. */
  #ink(pen, height, middle, kept) {
    const outline = this.#outline(height, middle, 1 / (window.devicePixelRatio || 1));
    const fill = (colour, fromMs, toMs) => {
      const from = Math.max(0, this.x(fromMs));
      const to = Math.min(this.width, this.x(toMs));
      if (to > from) {
        pen.save();
        pen.beginPath();
        pen.rect(from, 0, to - from, height);
        pen.clip();
        pen.fillStyle = colour;
        pen.fill(outline);
        pen.restore();
      }
    };
    fill(WASHED, 0, this.wholeMs);
    kept.forEach((piece) => fill(INK, piece.startMs, piece.endMs));
  }

  #pauses(pen, height, pieces, say) {
    pieces.forEach((piece, i) => {
      if (piece.pauseMs > 0) {
        const next = pieces.slice(i + 1).find((each) => each.endMs > 0);
        const before = pieces.slice(0, i).reverse().find((each) => each.endMs > 0);
        const x = this.x(next ? next.startMs : before?.endMs ?? 0);
        pen.strokeStyle = MOSS;
        pen.lineWidth = 2;
        pen.setLineDash([6, 4]);
        pen.beginPath();
        pen.moveTo(x, 24);
        pen.lineTo(x, height);
        pen.stroke();
        pen.setLineDash([]);
        pen.fillStyle = MOSS;
        pen.font = '600 13px Lexend, sans-serif';
        pen.fillText(say('pauseOf', { seconds: (piece.pauseMs / 1000).toFixed(1) }), x + 6, height - 14);
      }
    });
  }
}
