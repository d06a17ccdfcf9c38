// How a page looks while a line of it sounds: where its words light up, the rest paler, and on a phone the page moved and grown
// to the line, and back.
import { remember, remembered } from './visit.js';

const WAYS = ['RULER', 'BOTH', 'PAGE', 'CONTROLS'];
const KEY = 'words-lit';
const SMALL = '(max-width: 600px) and (orientation: portrait)';
const LARGEST = 3;
const LEAST = 1.15;

const wanted = () => remembered(KEY) ?? document.getElementById('light')?.dataset.lit ?? 'RULER';

export function showLit() {
  document.documentElement.dataset.lit = wanted();
  document.getElementById('light')?.setAttribute('aria-label', document.getElementById('light').dataset[wanted().toLowerCase()]);
}

/** The next way in which words light up, for this visit. */
export function litOtherwise() {
  remember(KEY, WAYS[(WAYS.indexOf(wanted()) + 1) % WAYS.length]);
  showLit();
}

function areaOf(item) {
  const { x, y, w, h } = item.dataset;
  return { x: x - w / 2, y: y - h / 2, w: Number(w), h: Number(h) };
}

function rule(board, area) {
  let paler = board.querySelector('.paler');
  if (!area) {
    paler?.remove();
    return;
  }
  if (!paler) {
    paler = document.createElement('i');
    paler.className = 'paler';
    paler.setAttribute('aria-hidden', 'true');
    paler.append(document.createElement('i'));
    board.append(paler);
  }
  const { x, y, w, h } = area;
  Object.assign(paler.firstChild.style, { left: `${x * 100}%`, top: `${y * 100}%`, width: `${w * 100}%`, height: `${h * 100}%` });
}

/** Along one side: how far a page that begins at `start` is moved, so that `middle` is in the middle of a window and no edge of the page is seen that needn't be. */
function shift(start, size, middle, scale, room) {
  const grown = size * scale;
  const wanted = room / 2 - middle * grown;
  const to = grown <= room ? (room - grown) / 2 : Math.max(room - grown, Math.min(0, wanted));
  return to - start;
}

/** Where the page is moved to: the line in the middle of its place, as wide as there is room. */
function camera(board, area) {
  const room = board.parentElement;
  const [width, height] = [board.offsetWidth, board.offsetHeight];
  const scale = area ? Math.min(LARGEST, (0.96 * room.clientWidth) / (area.w * width), (0.96 * room.clientHeight) / (area.h * height)) : 1;
  if (!area || scale < LEAST) {
    board.style.transform = '';
    return;
  }
  const x = shift(board.offsetLeft - room.offsetLeft, width, area.x + area.w / 2, scale, room.clientWidth);
  const y = shift(board.offsetTop - room.offsetTop, height, area.y + area.h / 2, scale, room.clientHeight);
  board.style.transform = `translate(${x}px, ${y}px) scale(${scale})`;
}

/** @param mark of the line that sounds, on the page; null: none does */
export function lookAt(mark) {
  const board = document.querySelector('.board');
  if (!board) {
    return;
  }
  const item = mark?.classList.contains('on-words') ? mark.closest('li') : null;
  rule(board, item ? areaOf(item) : null);
  camera(board, item && window.matchMedia(SMALL).matches ? areaOf(item) : null);
}
