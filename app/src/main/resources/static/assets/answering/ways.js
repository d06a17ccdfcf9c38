// A free answer that may be typed, spoken or drawn: the child chooses how, and what she gave in another way stays.
export function bindWays(place, answering) {
  const ways = [...place.querySelectorAll('.way')];
  const parts = [...place.querySelectorAll('[data-way]:not(.way)')];
  if (ways.length === 0) {
    return;
  }
  const { given } = answering.held(place.dataset.question);
  const used = given.spoken?.length ? 'SPOKEN' : given.drawn?.length ? 'DRAWING' : given.typed ? 'LONG_TEXT' : place.dataset.kind;
  const show = (way) => {
    parts.forEach((part) => { part.hidden = part.dataset.way !== way; });
    ways.forEach((button) => button.setAttribute('aria-pressed', button.dataset.way === way));
  };
  ways.forEach((button) => button.addEventListener('click', () => show(button.dataset.way)));
  show(used);
}
