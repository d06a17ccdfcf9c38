// A page as SVG, with boxes over it that are chosen, moved, sized by their corners, and drawn.

const SVG = 'http://www.w3.org/2000/svg';
const WIDTH = 1000;
const SMALLEST = 0.012;
const HANDLE = 9;

function element(tag, attributes) {
  const made = document.createElementNS(SVG, tag);
  Object.entries(attributes).forEach(([name, value]) => made.setAttribute(name, value));
  return made;
}

const within = (value) => Math.max(0, Math.min(1, value));

export class Sheet {
  #svg;

  #height;

  /** @param aspect width by height of the page */
  constructor(svg, aspect) {
    this.#svg = svg;
    this.#height = WIDTH / aspect;
    // Exactly as wide as its height allows: a pointer's place is a share of the whole element.
    svg.style.aspectRatio = aspect;
    svg.style.width = `min(100%, calc(var(--sheet-room) * ${aspect}))`;
  }

  /** Puts boxes into a group: their id, area, class, whether they are chosen, and what else dresses them. */
  boxes(group, boxes) {
    group.replaceChildren(...boxes.map(({ id, area, kind, chosen, dress, alone }) => {
      const box = element('g', { class: `box ${kind}${chosen ? ' chosen' : ''}`, 'data-id': id });
      if (alone) {
        // It is moved without what else is chosen.
        box.dataset.alone = 'yes';
      }
      box.append(element('rect', { class: 'frame', ...this.#rect(area), rx: 3 }));
      dress?.(box, this.#rect(area));
      if (chosen) {
        [[0, 0], [1, 0], [0, 1], [1, 1]].forEach(([right, bottom]) => box.append(element('rect', {
          class: 'corner',
          x: (area.x + right * area.w) * WIDTH - HANDLE / 2,
          y: (area.y + bottom * area.h) * this.#height - HANDLE / 2,
          width: HANDLE,
          height: HANDLE,
          'data-right': right,
          'data-bottom': bottom,
        })));
      }
      return box;
    }));
  }

  #rect(area) {
    return { x: area.x * WIDTH, y: area.y * this.#height, width: area.w * WIDTH, height: area.h * this.#height };
  }

  /** Where the pointer is, as shares of the page. */
  place(event) {
    const box = this.#svg.getBoundingClientRect();
    return { x: within((event.clientX - box.left) / box.width), y: within((event.clientY - box.top) / box.height) };
  }

  #areaOf(box) {
    const frame = box.querySelector('.frame');
    const value = (name) => Number(frame.getAttribute(name));
    return { x: value('x') / WIDTH, y: value('y') / this.#height, w: value('width') / WIDTH, h: value('height') / this.#height };
  }

  #drawAs(box, area) {
    Object.entries(this.#rect(area)).forEach(([name, value]) => box.querySelector('.frame').setAttribute(name, value));
    box.querySelectorAll('.dress').forEach((dress) => {
      const { x, y, width, height } = this.#rect(area);
      // Words stand under the box.
      const place = dress.tagName === 'text' ? { x: dress.classList.contains('label') ? x + width / 2 : x, y: y + height + 17 } : { x, y, width, height };
      Object.entries(place).forEach(([name, value]) => dress.setAttribute(name, value));
    });
    box.querySelectorAll('.corner').forEach((corner) => {
      corner.setAttribute('x', (area.x + Number(corner.dataset.right) * area.w) * WIDTH - HANDLE / 2);
      corner.setAttribute('y', (area.y + Number(corner.dataset.bottom) * area.h) * this.#height - HANDLE / 2);
    });
  }

  #box(id) {
    return this.#svg.querySelector(`.box[data-id="${CSS.escape(id)}"]`);
  }

  /**
   * @param onChoose told the id of the box that was pressed, and whether it is chosen beside others
   * @param onPlace told the ids and the new areas of those that were moved or sized
   * @param onDraw told the area that was drawn where no box was
   * @param onNothing called when a place without a box was pressed
   */
  watch({ onChoose, onPlace, onDraw, onNothing }) {
    this.#svg.addEventListener('pointerdown', (event) => {
      if (event.button !== 0) {
        return;
      }
      event.preventDefault();
      this.#svg.focus({ preventScroll: true });
      const id = event.target.closest('.box')?.dataset.id;
      const corner = event.target.closest('.corner');
      const from = this.place(event);
      if (id && !corner) {
        onChoose(id, event.shiftKey || event.ctrlKey || event.metaKey);
      }
      const held = corner || event.target.closest('.box')?.dataset.alone ? [id] : [...this.#svg.querySelectorAll('.box.chosen')].map((box) => box.dataset.id);
      const before = new Map(id ? held.map((each) => [each, this.#areaOf(this.#box(each))]) : []);
      let places = null;
      let drawn = null;
      const move = (moved) => {
        const to = this.place(moved);
        if (!places && Math.hypot(to.x - from.x, to.y - from.y) < 0.004) {
          return;
        }
        if (id) {
          places = [...before].map(([each, area]) => [each, corner ? sized(area, corner, to) : shifted(area, to.x - from.x, to.y - from.y)]);
          places.forEach(([each, area]) => this.#drawAs(this.#box(each), area));
        } else {
          places = [['', spanned(from, to)]];
          if (!drawn) {
            drawn = element('g', { class: 'box drawn' });
            drawn.append(element('rect', { class: 'frame', rx: 3 }));
            this.#svg.append(drawn);
          }
          this.#drawAs(drawn, places[0][1]);
        }
      };
      const up = () => {
        this.#svg.removeEventListener('pointermove', move);
        this.#svg.removeEventListener('pointerup', up);
        this.#svg.removeEventListener('pointercancel', up);
        drawn?.remove();
        if (id && places) {
          onPlace(places);
        } else if (places && places[0][1].w > SMALLEST && places[0][1].h > SMALLEST) {
          onDraw(places[0][1]);
        } else if (!id) {
          onNothing?.();
        }
      };
      this.#svg.setPointerCapture(event.pointerId);
      this.#svg.addEventListener('pointermove', move);
      this.#svg.addEventListener('pointerup', up);
      this.#svg.addEventListener('pointercancel', up);
    });
  }
}

export function shifted(area, byX, byY) {
  return { ...area, x: Math.max(0, Math.min(1 - area.w, area.x + byX)), y: Math.max(0, Math.min(1 - area.h, area.y + byY)) };
}

function spanned(from, to) {
  return { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), w: Math.abs(from.x - to.x), h: Math.abs(from.y - to.y) };
}

/** The corner that is dragged follows; the one across from it stays. */
function sized(area, corner, to) {
  const right = Number(corner.dataset.right) === 1;
  const bottom = Number(corner.dataset.bottom) === 1;
  const fixed = { x: right ? area.x : area.x + area.w, y: bottom ? area.y : area.y + area.h };
  const w = Math.max(SMALLEST, right ? to.x - fixed.x : fixed.x - to.x);
  const h = Math.max(SMALLEST, bottom ? to.y - fixed.y : fixed.y - to.y);
  return { x: right ? fixed.x : fixed.x - w, y: bottom ? fixed.y : fixed.y - h, w, h };
}
