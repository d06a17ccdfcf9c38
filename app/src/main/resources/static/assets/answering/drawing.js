// Drawing: a pen, a rubber that takes whole lines, and undo; by finger, pen and mouse.
import { say } from '../platform/words.js';

const UNITS = 10_000;
const WIDTH = 6;
const RUBBER = 260;
const LEAST_STEP = 18;
const MOST_STROKES = 2_000;

/** @param high the sheet's height by its width */
function pathOf({ points, width }, high) {
  const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
  const pairs = [];
  for (let i = 0; i < points.length; i += 2) {
    pairs.push(`${points[i]} ${points[i + 1] * high}`);
  }
  path.setAttribute('d', `M${pairs.join(' L')}${pairs.length === 1 ? ` l1 0` : ''}`);
  path.dataset.width = width;
  return path;
}

export function bindDrawing(place, answering) {
  const sheet = place.querySelector('.sheet');
  if (!sheet) {
    return;
  }
  const { question } = place.dataset;
  const high = sheet.viewBox.baseVal.height / UNITS;
  const strokes = () => answering.held(question).given.drawn ?? [];
  const undone = [];
  let pen = 'pen';
  let drawing = null;

  function show() {
    sheet.replaceChildren(...strokes().map((stroke) => pathOf(stroke, high)));
    sheet.setAttribute('aria-label', say('answer.drawn', { n: strokes().length }));
    place.querySelector('[data-pen=undo]').disabled = strokes().length === 0 && undone.length === 0;
  }

  function give(drawn) {
    undone.push(strokes());
    answering.give(question, { drawn });
    show();
  }

  const at = ({ clientX, clientY }) => {
    const box = sheet.getBoundingClientRect();
    const held = (share) => Math.round(Math.max(0, Math.min(1, share)) * UNITS);
    return [held((clientX - box.left) / box.width), held((clientY - box.top) / box.height)];
  };

  function rub([x, y]) {
    const near = (stroke) => stroke.points.some((value, i) => i % 2 === 0 && Math.hypot(value - x, stroke.points[i + 1] - y) < RUBBER);
    const left = strokes().filter((stroke) => !near(stroke));
    if (left.length < strokes().length) {
      give(left);
    }
  }

  sheet.addEventListener('pointerdown', (event) => {
    event.preventDefault();
    // On a page, its pens are there while it is drawn on.
    sheet.focus({ preventScroll: true });
    sheet.setPointerCapture(event.pointerId);
    if (pen === 'rubber') {
      drawing = 'rubber';
      rub(at(event));
    } else if (strokes().length < MOST_STROKES) {
      drawing = { width: WIDTH, points: at(event) };
      drawing.path = pathOf(drawing, high);
      sheet.append(drawing.path);
    }
  });
  sheet.addEventListener('pointermove', (event) => {
    if (drawing === 'rubber') {
      rub(at(event));
    } else if (drawing) {
      const [x, y] = at(event);
      const [lastX, lastY] = drawing.points.slice(-2);
      if (Math.hypot(x - lastX, y - lastY) >= LEAST_STEP) {
        drawing.points.push(x, y);
        drawing.path.setAttribute('d', pathOf(drawing, high).getAttribute('d'));
      }
    }
  });
  const end = () => {
    if (drawing && drawing !== 'rubber') {
      give([...strokes(), { width: drawing.width, points: drawing.points }]);
    }
    drawing = null;
  };
  ['pointerup', 'pointercancel'].forEach((event) => sheet.addEventListener(event, end));
  place.querySelectorAll('[data-pen]').forEach((button) => button.addEventListener('click', () => {
    if (button.dataset.pen === 'undo') {
      answering.give(question, { drawn: undone.pop() ?? strokes().slice(0, -1) });
      show();
      return;
    }
    pen = button.dataset.pen;
    place.querySelectorAll('.pen').forEach((each) => each.setAttribute('aria-pressed', each === button));
  }));
  // The same question may be answered on the page and beside it.
  const follow = ({ detail }) => {
    if (!sheet.isConnected) {
      document.removeEventListener('answer-given', follow);
    } else if (detail.question === question && !drawing) {
      show();
    }
  };
  document.addEventListener('answer-given', follow);
  show();
}
