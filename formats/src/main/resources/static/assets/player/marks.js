// What is drawn while something is heard: the ring of a mark that shrinks, its two strokes, and the trace that fills with ink.

const RING = 132;
const HELD = 'M19 17 v14 M29 17 v14';
const TRACE_HEIGHT = 40;

function svg(tag, attributes) {
  const element = document.createElementNS('http://www.w3.org/2000/svg', tag);
  Object.entries(attributes).forEach(([name, value]) => element.setAttribute(name, value));
  return element;
}

/** @param share of the time that is left, 0 to 1 */
export function ring(mark, share) {
  mark.querySelector('.left').setAttribute('stroke-dasharray', `${RING * share} ${RING}`);
}

/** A mark that sounds shows that a press holds it. */
export function hold(mark, sounds) {
  mark.querySelector('.held')?.remove();
  if (sounds) {
    mark.append(svg('path', { class: 'held', d: HELD }));
  }
}

/** The trace of a sound, with a part of it that was heard: none as yet. @param d of an SVG path */
export function drawTrace(place, d) {
  place.querySelectorAll('path, clipPath').forEach((old) => old.remove());
  const clip = svg('clipPath', { id: 'heard' });
  clip.append(svg('rect', { x: 0, y: 0, width: 0, height: TRACE_HEIGHT }));
  place.append(svg('path', { class: 'ink', d }), clip, svg('path', { class: 'heard', d, 'clip-path': 'url(#heard)' }));
}
