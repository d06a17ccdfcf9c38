// A free answer that may be typed, spoken or drawn: the child chooses how, and what she gave in another way stays.
import { KINDS, waysOf } from './kinds.js';

const nameOf = (way) => way.replace('-', '_').toUpperCase();

export function bindWays(place, answering) {
  const ways = [...place.querySelectorAll('.way')];
  const parts = [...place.querySelectorAll('[data-way]:not(.way)')];
  if (ways.length === 0) {
    return;
  }
  const { given } = answering.held(place.dataset.question);
  // What she said or drew is shown before what she typed.
  const used = waysOf(place).reverse().find((way) => given[KINDS[way].part]?.length) ?? waysOf(place).find((way) => nameOf(way) === place.dataset.kind);
  const show = (way) => {
    parts.forEach((part) => { part.hidden = part.dataset.way !== way; });
    ways.forEach((button) => button.setAttribute('aria-pressed', button.dataset.way === way));
  };
  ways.forEach((button) => button.addEventListener('click', () => show(button.dataset.way)));
  show(nameOf(used));
}
