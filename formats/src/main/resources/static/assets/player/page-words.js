// The words of the line that is heard, where they stand on the page: each lights up behind its letters while it is said.

const UNITS = 1e5;

/** As the page has them: from,length,x,y,w,h[,x,y,w,h…] for each word, with ; between them; in hundred-thousandths of the page. */
function read(written) {
  return (written ?? '').split(';').filter(Boolean).map((word) => {
    const [from, length, ...places] = word.split(',').map(Number);
    const areas = [];
    for (let i = 0; i + 3 < places.length; i += 4) {
      const [x, y, w, h] = places.slice(i, i + 4).map((share) => share / UNITS);
      areas.push({ x, y, w, h });
    }
    return { from, length, areas };
  });
}

/** The part of a word's places that some of its letters take; of one in two rows, both. */
function part({ from, length, areas }, at, letters) {
  if (areas.length !== 1 || letters >= length - 2) {
    return areas;
  }
  const [{ x, y, w, h }] = areas;
  return [{ x: x + (w * (at - from)) / length, y, w: (w * letters) / length, h }];
}

const within = ({ x, y, w, h }, px, py) => px >= x && px <= x + w && py >= y && py <= y + h;

export class PageWords {
  #words = [];

  #now = -1;

  #lit = [];

  #board;

  /** The line of a spot is chosen: its words aren't lit as yet. @param mark of the line on the page, if there is one */
  show(mark) {
    this.#lit.forEach((lit) => lit.remove());
    this.#lit = [];
    this.#now = -1;
    this.#board = mark?.closest('.board');
    this.#words = [];
  }

  /** @param times of the words of the line */
  knows(mark, times) {
    const placed = read(mark?.closest('li').dataset.places);
    this.#words = times.map(({ text, from, span }, index) => {
      const word = placed.find((each) => from >= each.from && from < each.from + each.length);
      return { index, span, areas: word ? part(word, from, text.length) : [] };
    }).filter(({ span }) => span.endMs > span.startMs);
  }

  /** Lights the word that is said at this time. */
  at(ms, started) {
    const now = started ? this.#words.findLastIndex(({ span }) => span.startMs <= ms) : -1;
    if (now === this.#now) {
      return;
    }
    this.#now = now;
    const areas = this.#words[now]?.areas ?? [];
    while (this.#lit.length < areas.length && this.#board) {
      const lit = document.createElement('i');
      lit.className = 'lit-word';
      lit.setAttribute('aria-hidden', 'true');
      this.#board.append(lit);
      this.#lit.push(lit);
    }
    this.#lit.forEach((lit, i) => {
      lit.hidden = !areas[i];
      if (areas[i]) {
        const { x, y, w, h } = areas[i];
        Object.assign(lit.style, { left: `${x * 100}%`, top: `${y * 100}%`, width: `${w * 100}%`, height: `${h * 100}%` });
      }
    });
  }

  /** The index of the word at a place of the window; -1: none is there. */
  wordAt(clientX, clientY) {
    if (!this.#board) {
      return -1;
    }
    const box = this.#board.getBoundingClientRect();
    const x = (clientX - box.left) / box.width;
    const y = (clientY - box.top) / box.height;
    // Fingers are wide: a little beside a word is on it.
    const near = { x: 6 / box.width, y: 8 / box.height };
    const at = this.#words.find(({ areas }) => areas.some((area) => within(area, x, y)))
      ?? this.#words.find(({ areas }) => areas.some((area) => within({ x: area.x - near.x, y: area.y - near.y, w: area.w + 2 * near.x, h: area.h + 2 * near.y }, x, y)));
    return at?.index ?? -1;
  }
}
