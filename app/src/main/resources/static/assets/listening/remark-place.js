// Where in an answer a remark belongs: a passage that is marked, a place of a picture that is pressed, a moment that is heard.
import { clock, say } from '../platform/words.js';

const CONTEXT = 32;
const POINT = 0.015;

const points = (text) => [...text].length;

/** A passage of written work (W3C Web Annotation: TextQuoteSelector, TextPositionSelector in code points). */
function passage(text, from, to) {
  const start = points(text.slice(0, from));
  return { exact: text.slice(from, to), prefix: text.slice(Math.max(0, from - CONTEXT), from), suffix: text.slice(to, to + CONTEXT), start, end: start + points(text.slice(from, to)) };
}

export class RemarkPlace {
  #place = null;

  /** @param room what holds the answer @param onChange told when another place is meant */
  constructor(room, onChange) {
    this.room = room;
    this.onChange = onChange;
    document.addEventListener('selectionchange', () => this.#selected());
    room.addEventListener('pointerdown', (event) => this.#pressed(event));
  }

  #set(place, words) {
    this.#place = place;
    this.onChange(place, words);
  }

  clear() {
    this.#mark(null);
    this.#set(null, '');
  }

  /** As it is sent; empty: the whole answer. */
  get written() {
    return this.#place ? JSON.stringify(this.#place) : '';
  }

  /** A moment of what was said, unless another place is meant. */
  moment(heard) {
    if (!this.#place && heard?.piece.recording) {
      this.#set({ recording: heard.piece.recording, atMs: heard.ms }, say('atMoment', { time: clock(heard.ms) }));
    }
  }

  #selected() {
    const selection = document.getSelection();
    const line = selection.anchorNode?.parentElement?.closest?.('#stop .said-words li');
    if (!line || selection.isCollapsed || selection.rangeCount === 0) {
      return;
    }
    const range = selection.getRangeAt(0);
    if (!line.contains(range.endContainer)) {
      return;
    }
    const before = document.createRange();
    before.selectNodeContents(line);
    before.setEnd(range.startContainer, range.startOffset);
    const from = before.toString().length;
    const found = passage(line.textContent, from, from + range.toString().length);
    if (found.exact.trim() !== '') {
      this.#set({ passage: found }, found.exact);
    }
  }

  #pressed(event) {
    const picture = event.target.closest('.on-picture');
    if (!picture || event.button !== 0) {
      return;
    }
    event.preventDefault();
    const shown = picture.firstElementChild.getBoundingClientRect();
    const at = ({ clientX, clientY }) => [Math.min(1, Math.max(0, (clientX - shown.left) / shown.width)), Math.min(1, Math.max(0, (clientY - shown.top) / shown.height))];
    const [x0, y0] = at(event);
    let area = { x: x0, y: y0, w: 0, h: 0 };
    const move = (moved) => {
      const [x, y] = at(moved);
      area = { x: Math.min(x, x0), y: Math.min(y, y0), w: Math.abs(x - x0), h: Math.abs(y - y0) };
      this.#mark(picture, area);
    };
    const up = () => {
      document.removeEventListener('pointermove', move);
      if (area.w < POINT && area.h < POINT) {
        area = { x: x0, y: y0, w: 0, h: 0 };
      }
      this.#mark(picture, area);
      this.#set({ area }, say('onPicture'));
    };
    document.addEventListener('pointermove', move);
    document.addEventListener('pointerup', up, { once: true });
  }

  #mark(picture, area) {
    this.room.querySelector('.area.meant')?.remove();
    if (picture) {
      markArea(picture, area).classList.add('meant');
    }
  }

  /** Shows where remarks are that were made already. */
  showMade() {
    const picture = this.room.querySelector('.on-picture');
    this.room.querySelectorAll('.area:not(.meant)').forEach((mark) => mark.remove());
    this.room.querySelectorAll('[data-area]').forEach((remark) => {
      const [x, y, w, h] = remark.dataset.area.split(' ').map(Number);
      if (picture) {
        markArea(picture, { x, y, w, h });
      }
    });
  }
}

/** A ring about a point, or a frame about an area, in shares of a picture. */
export function markArea(picture, { x, y, w, h }) {
  const mark = document.createElement('span');
  mark.className = w + h === 0 ? 'area point' : 'area';
  Object.assign(mark.style, { left: `${x * 100}%`, top: `${y * 100}%`, width: `${w * 100}%`, height: `${h * 100}%` });
  picture.append(mark);
  return mark;
}
