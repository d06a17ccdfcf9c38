// The words of one line on the stage: shown where they stand on the page, moved, sized, and looked for anew in the ink.
import { send } from '../platform/requests.js';
import { shifted } from './sheet.js';

const BOX = 'word~';

export class WordBoxes {
  #group;

  #sheet;

  #address;

  #words = [];

  /** Where they stand for the server. */
  #kept = [];

  #chosen = null;

  #lineId = null;

  /** @param address of the stage */
  constructor(group, sheet, address) {
    this.#group = group;
    this.#sheet = sheet;
    this.#address = address;
  }

  /** The line whose words are shown; null: none is. */
  get lineId() {
    return this.#lineId;
  }

  get count() {
    return this.#words.length;
  }

  async open(lineId) {
    this.#take(lineId, await this.#ask('GET', lineId));
  }

  close() {
    this.#lineId = null;
    this.#words = [];
    this.draw();
  }

  draw() {
    this.#sheet.boxes(this.#group, this.#words.map(({ area }, i) => ({ id: BOX + i, area, kind: 'word', chosen: i === this.#chosen })));
  }

  choose(box) {
    this.#chosen = box?.startsWith(BOX) ? Number(box.slice(BOX.length)) : null;
    this.draw();
  }

  /** Goes to the next word, or the one before; answers whether there is one. */
  step(by) {
    const next = this.#chosen === null ? (by > 0 ? 0 : this.#words.length - 1) : this.#chosen + by;
    if (!this.#words[next]) {
      return false;
    }
    this.choose(BOX + next);
    return true;
  }

  /** Moves the chosen word. Answers what is to be sent for it; null: nothing. */
  nudge(byX, byY) {
    return this.#chosen === null ? null : this.place([[BOX + this.#chosen, shifted(this.#words[this.#chosen].area, byX, byY)]]);
  }

  /** Words stand elsewhere, by their boxes. Answers what sends that. */
  place(places) {
    const moved = new Map(places);
    this.#words = this.#words.map((word, i) => ({ ...word, area: moved.get(BOX + i) ?? word.area }));
    this.draw();
    const line = this.#lineId;
    const areas = this.#words.map(({ area }) => area);
    return async () => this.#take(line, await this.#ask('PUT', line, { seen: this.#kept, areas }));
  }

  /** Answers what looks for them in the ink of a part of the page. */
  find(part) {
    const line = this.#lineId;
    return async () => this.#take(line, await this.#ask('POST', line, { seen: this.#kept, part }));
  }

  async again() {
    if (this.#lineId) {
      await this.open(this.#lineId);
    }
  }

  async #ask(method, line, body) {
    const response = await send(method, `${this.#address}/words/${line}`, body && JSON.stringify(body), { 'Content-Type': 'application/json' });
    return response.json();
  }

  #take(line, words) {
    if (line !== this.#lineId) {
      this.#chosen = null;
    }
    this.#lineId = line;
    this.#words = words;
    this.#kept = words;
    this.draw();
  }
}
