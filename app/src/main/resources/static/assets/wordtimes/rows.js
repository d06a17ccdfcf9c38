// The words of a take over its sound, in rows as on a ruled page. Each word has a stroke where it begins, that can be moved.
import { say } from '../platform/words.js';

const ROW_MS = 6_000;
const BUCKET_MS = 20;
const STEP_MS = 20;
const BIG_STEP_MS = 100;

export class Rows {
  #place;

  #rows = [];

  #onMove;

  #onPlay;

  /** @param onMove called with a word's index and where it is to begin @param onPlay called with a place to play from */
  constructor(place, onMove, onPlay) {
    this.#place = place;
    this.#onMove = onMove;
    this.#onPlay = onPlay;
  }

  show({ words, peaks, durationMs }) {
    const focused = document.activeElement?.dataset?.index;
    this.#rows = [];
    for (let from = 0; from < durationMs; from += ROW_MS) {
      this.#rows.push(this.#row(from, peaks));
    }
    words.forEach((word, index) => {
      if (word.span.endMs > word.span.startMs) {
        this.#rows[Math.min(this.#rows.length - 1, Math.floor(word.span.startMs / ROW_MS))].append(this.#word(word, index, durationMs));
      }
    });
    this.#place.replaceChildren(...this.#rows);
    this.#place.querySelector(`[data-index="${focused}"]`)?.focus();
  }

  #row(from, peaks) {
    const row = document.createElement('div');
    row.className = 'time-row';
    row.dataset.from = from;
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
    svg.setAttribute('viewBox', `0 0 ${ROW_MS} 100`);
    svg.setAttribute('preserveAspectRatio', 'none');
    svg.setAttribute('aria-hidden', 'true');
    const line = document.createElementNS('http://www.w3.org/2000/svg', 'polyline');
    const part = peaks.slice(from / BUCKET_MS, (from + ROW_MS) / BUCKET_MS);
    line.setAttribute('points', part.map((peak, i) => `${i * BUCKET_MS},${100 - (peak / 255) * 96} ${(i + 0.5) * BUCKET_MS},100`).join(' '));
    svg.append(line);
    row.append(svg);
    return row;
  }

  #word({ text, span }, index, durationMs) {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = index % 2 === 1 ? 'word low' : 'word';
    button.dataset.index = index;
    button.setAttribute('role', 'slider');
    button.setAttribute('aria-label', text);
    button.setAttribute('aria-valuemin', 0);
    button.setAttribute('aria-valuemax', durationMs);
    button.setAttribute('aria-valuenow', span.startMs);
    button.setAttribute('aria-valuetext', say('at', { s: (span.startMs / 1000).toFixed(2) }));
    button.style.left = `${((span.startMs % ROW_MS) / ROW_MS) * 100}%`;
    const label = document.createElement('span');
    label.textContent = text;
    button.append(label);
    button.addEventListener('keydown', (event) => this.#key(event, index, span));
    button.addEventListener('pointerdown', (event) => this.#drag(event, button, index, span));
    return button;
  }

  #key(event, index, span) {
    const step = event.shiftKey ? BIG_STEP_MS : STEP_MS;
    if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      event.preventDefault();
      this.#onMove(index, span.startMs + (event.key === 'ArrowLeft' ? -step : step));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.#onPlay(span.startMs);
    }
  }

  #drag(event, button, index, span) {
    const width = this.#place.clientWidth;
    const startX = event.clientX;
    let to = span.startMs;
    button.setPointerCapture(event.pointerId);
    const move = ({ clientX }) => {
      to = Math.max(0, Math.round(span.startMs + ((clientX - startX) / width) * ROW_MS));
      button.style.left = `${((to - Number(button.parentElement.dataset.from)) / ROW_MS) * 100}%`;
    };
    const end = () => {
      button.removeEventListener('pointermove', move);
      if (Math.abs(to - span.startMs) >= 5) {
        this.#onMove(index, to);
      }
    };
    button.addEventListener('pointermove', move);
    button.addEventListener('pointerup', end, { once: true });
  }

  /** Shows where the sound is; null: nowhere. */
  at(ms, words) {
    this.#place.querySelectorAll('.now').forEach((old) => old.remove());
    const lit = ms === null ? -1 : words.findLastIndex(({ span }) => span.endMs > span.startMs && span.startMs <= ms);
    this.#place.querySelectorAll('.word').forEach((word) => word.classList.toggle('lit', Number(word.dataset.index) === lit));
    const row = ms === null ? null : this.#rows[Math.floor(ms / ROW_MS)];
    if (row) {
      const now = document.createElement('i');
      now.className = 'now';
      now.style.left = `${((ms % ROW_MS) / ROW_MS) * 100}%`;
      row.append(now);
    }
  }
}
