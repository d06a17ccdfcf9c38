// The thread from a spot on the page to its line in the list.

export class Thread {
  #svg;

  constructor(svg) {
    this.#svg = svg;
  }

  /** Ties two elements; null unties. */
  tie(spot, line) {
    const place = line?.getBoundingClientRect();
    const list = line?.closest('section').getBoundingClientRect();
    const seen = spot && place.bottom > list.top && place.top < list.bottom;
    this.#svg.style.display = seen ? '' : 'none';
    if (!seen) {
      return;
    }
    const from = spot.getBoundingClientRect();
    const start = { x: from.right + 2, y: from.top + from.height / 2 };
    const end = { x: place.left, y: Math.max(list.top + 6, Math.min(list.bottom - 6, place.top + place.height / 2)) };
    const bend = (end.x - start.x) / 2;
    this.#svg.querySelector('path').setAttribute('d', `M${start.x} ${start.y} C${start.x + bend} ${start.y} ${end.x - bend} ${end.y} ${end.x} ${end.y}`);
    this.#svg.querySelector('circle').setAttribute('cx', end.x);
    this.#svg.querySelector('circle').setAttribute('cy', end.y);
  }
}
