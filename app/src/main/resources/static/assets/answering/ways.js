// A free answer that may be typed, spoken or drawn: the child chooses how, and what she gave in another way stays.
import { KINDS, waysOf } from './kinds.js';

export function bindWays(place, answering) {
  const ways = [...place.querySelectorAll('.way')];
  const parts = [...place.querySelectorAll('[data-way]:not(.way)')];
  if (ways.length === 0) {
    return;
  }
  const { given } = answering.held(place.dataset.question);
  const names = waysOf(place);
  const isTyped = (way) => KINDS[way].part === 'typed';
  // What she said or drew is shown before what she typed.
  const used = [...names].sort((one, other) => isTyped(one) - isTyped(other)).find((way) => given[KINDS[way].part]?.length);
  const show = (way) => {
    parts.forEach((part) => { part.hidden = part.dataset.way !== way; });
    ways.forEach((button) => button.setAttribute('aria-pressed', button.dataset.way === way));
  };
  ways.forEach((button) => button.addEventListener('click', () => show(button.dataset.way)));
  show(used ? ways[names.indexOf(used)].dataset.way : place.dataset.kind);
}
