// The outbox: what is to reach the server goes one after another, as often as it takes, whatever the network does. Sound, answers
// and what was heard go by it alike; what differs is how each is delivered, and what is made of the answer.
import { newId } from './new-id.js';

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 20_000;

/** Not for good: somebody else is here, it took too long, it was too much at once. */
const LATER = [401, 403, 408, 425, 429];

/** Whether the same may be taken when it is sent again. */
export const isLater = ({ status, redirected = false }) => redirected || status >= 500 || LATER.includes(status);

export class Outbox {
  #lane;

  #owner;

  #store;

  #way;

  #most;

  /** What this page put in, by key, until the server has it: where the browser keeps nothing it goes from here. */
  #here = new Map();

  #written = Promise.resolve();

  #trip = null;

  #timer = 0;

  #wait = FIRST_WAIT_MS;

  /** Whether it waits before it tries again. */
  #rests = false;

  #stopped = false;

  #waitingForEnd = [];

  /**
   * @param lane whose items go one after another
   * @param owner whose they are
   * @param store where they wait: { put, all, first, drop }
   * @param way deliver(item): a promise of the server's answer; taken(item, answer): what is made of it, a state, or nothing;
   *     later(answer): it didn't get there as yet, answer is missing where there was none; idle(state): all of it is there;
   *     first(items): which goes next
   * @param most so many wait at most; the oldest go
   * @param large whether they are too large to be held beside the store: they are put into it elsewhere
   */
  constructor({ lane, owner, store, way, most = Infinity, large = false }) {
    this.#lane = lane;
    this.#owner = owner;
    this.#store = store;
    this.#most = most;
    this.#way = { taken: () => null, later: () => {}, idle: () => {}, first: (items) => items[0], ...way };
    this.large = large;
    window.addEventListener('online', () => this.send());
    if (!large) {
      this.#store.all(lane).then((left) => {
        // What was put in meanwhile is newer.
        left.filter((item) => !this.#here.has(item.key)).forEach((item) => this.#here.set(item.key, item));
        return left.length > 0 && this.send();
      }).catch(() => {});
    }
  }

  /** Goes on its way at once: a page that is being left has no time to wait for its own store. */
  put(key, content) {
    const item = { lane: this.#lane, key, owner: this.#owner, id: newId(), ...content };
    this.#here.delete(key);
    this.#here.set(key, item);
    this.#written = this.#written.then(() => this.#store.put(item)).catch(() => {});
    [...this.#here.values()].slice(0, Math.max(0, this.#here.size - this.#most)).forEach((oldest) => this.#drop(oldest));
    return this.send();
  }

  has(key) {
    return this.#here.has(key);
  }

  /** What waits, of this page and of those before it. */
  async waiting() {
    const kept = await this.#store.all(this.#lane).catch(() => []);
    const all = new Map(kept.map((item) => [item.key, item]));
    this.#here.forEach((item, key) => all.set(key, item));
    return [...all.values()];
  }

  /** Sends what waits; answers when it is there, or when it didn't get there for now. */
  send() {
    clearTimeout(this.#timer);
    this.#rests = false;
    this.#trip ??= this.#sendAll().finally(() => { this.#trip = null; });
    return this.#trip;
  }

  /** Whether the server has all of it. */
  async emptied() {
    await this.send();
    if (this.#here.size > 0) {
      await this.send();
    }
    return this.#here.size === 0;
  }

  /** Answers when the server has all of it, however long that takes, or when no more is sent. */
  async carried() {
    for (;;) {
      await this.send();
      if (this.#stopped || !await this.#next()) {
        return;
      }
      if (this.#rests) {
        await new Promise((done) => { this.#waitingForEnd.push(done); });
      }
    }
  }

  stop() {
    this.#stopped = true;
    clearTimeout(this.#timer);
    this.#tellEnd();
  }

  #tellEnd() {
    this.#waitingForEnd.splice(0).forEach((done) => done());
  }

  #next() {
    return this.large ? this.#store.first(this.#lane) : this.#way.first([...this.#here.values()]);
  }

  async #sendAll() {
    let state = null;
    for (let item = await this.#next(); item && !this.#stopped; item = await this.#next()) {
      let answer;
      let said;
      try {
        answer = await this.#way.deliver(item);
        said = isLater(answer) ? null : await this.#way.taken(item, answer);
      } catch {
        // There is no network, or it went while the answer came.
        answer = null;
      }
      if (!answer || isLater(answer)) {
        this.#later(answer);
        return;
      }
      state = said ?? state;
      this.#wait = FIRST_WAIT_MS;
      if (!this.#stopped) {
        await this.#drop(item);
      }
    }
    this.#way.idle(state);
    this.#tellEnd();
  }

  #later(answer) {
    this.#way.later(answer);
    if (!this.#stopped) {
      this.#rests = true;
      this.#timer = setTimeout(() => this.send(), this.#wait);
      this.#wait = Math.min(LONGEST_WAIT_MS, this.#wait * 2);
    }
  }

  /** A newer one in its place stays. */
  async #drop(item) {
    if (this.#here.get(item.key)?.id === item.id) {
      this.#here.delete(item.key);
    }
    await this.#written;
    await this.#store.drop(item).catch(() => {});
  }
}
