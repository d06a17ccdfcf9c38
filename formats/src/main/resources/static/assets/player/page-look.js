// How a page looks while a line of it sounds: where its words light up, the rest paler, and on a phone the page moved and grown
// to the line, and back.
import { remember, remembered } from './visit.js';

const WAYS = ['RULER', 'BOTH', 'PAGE', 'CONTROLS'];
const KEY = 'words-lit';
const SMALL = '(max-width: 600px) and (orientation: portrait)';
const LARGEST = 2.4;
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

/** Where the page is moved to: the line in the middle, as wide as there is room, no edge of the page within the window. */
function camera(board, area) {
  const scale = area ? Math.min(LARGEST, 0.96 / area.w, 0.96 / area.h) : 1;
  if (!area || scale < LEAST) {
    board.style.transform = '';
    return;
  }
  const shift = (middle) => Math.max(1 - scale, Math.min(0, 0.5 - middle * scale)) * 100;
  board.style.transform = `translate(${shift(area.x + area.w / 2)}%, ${shift(area.y + area.h / 2)}%) scale(${scale})`;
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
