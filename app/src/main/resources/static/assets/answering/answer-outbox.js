// Answers on their way: kept in this browser (IndexedDB), by whose they are, until the server has them on its disk. Of a
// question the newest alone is sent.
import { newId } from '../platform/new-id.js';

/** In place of a question: all of it is handed in, after every answer. */
const HAND_IN = 'hand-in';
const FIRST_WAIT_MS = 1_000;
const LONGEST_WAIT_MS = 20_000;

let database;

function asPromise(request) {
  return new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
}

function open() {
  database ??= new Promise((resolve, reject) => {
    const request = indexedDB.open('prolalia-answers', 1);
    request.onupgradeneeded = () => request.result.createObjectStore('waiting', { keyPath: ['owner', 'base', 'question'] });
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
  return database;
}

const within = async (mode, work) => asPromise(work((await open()).transaction('waiting', mode, { durability: 'strict' }).objectStore('waiting')));

/** Sends what waits on this device of a child's answers, to whatever it was. */
export async function sendWaiting(owner) {
  try {
    const all = await within('readonly', (store) => store.getAll());
    const bases = new Set(all.filter((each) => each.owner === owner).map((each) => each.base));
    bases.forEach((base) => new AnswerOutbox(owner, base, () => {}));
  } catch {
    // Nothing is kept in this browser.
  }
}

export class AnswerOutbox {
  #owner;

  #base;

  #onState;

  #onHandedIn;

  /** Where the browser keeps nothing, they wait here. */
  #here = new Map();

  #trip = null;

  #written = Promise.resolve();

  #wait = FIRST_WAIT_MS;

  #timer = 0;

  /**
   * @param onState called with 'saved', 'waiting', 'closed' or 'gone' as things go
   * @param onHandedIn called with what came of handing in, whenever it got there
   */
  constructor(owner, base, onState, onHandedIn = () => {}) {
    this.#owner = owner;
    this.#base = base;
    this.#onState = onState;
    this.#onHandedIn = onHandedIn;
    window.addEventListener('online', () => this.send());
    this.waiting().then((all) => {
      // What was answered meanwhile is newer.
      all.filter((each) => !this.#here.has(each.question)).forEach((each) => this.#here.set(each.question, each));
      if (all.length > 0) {
        this.send();
      }
    });
  }

  /** What waits on this device of this child's answers. */
  async waiting() {
    try {
      const all = await within('readonly', (store) => store.getAll());
      return all.filter((each) => each.owner === this.#owner && each.base === this.#base);
    } catch {
      return [...this.#here.values()];
    }
  }

  /** Goes on its way at once: a page that is being left has no time to wait for its own store. */
  put(question, given) {
    const answer = { owner: this.#owner, base: this.#base, question, id: newId(), given };
    this.#here.set(question, answer);
    // Where nothing can be kept it is in the map, and goes from there.
    this.#written = this.#written.then(() => within('readwrite', (store) => store.put(answer))).catch(() => {});
    this.send();
  }

  /** Hands in, now or as soon as there is a way; it waits in this browser until then. */
  handIn() {
    this.#here.delete(HAND_IN);
    this.put(HAND_IN, null);
    return this.send();
  }

  /** Whether handing in waits for the network. */
  get waitsToHandIn() {
    return this.#here.has(HAND_IN);
  }

  send() {
    clearTimeout(this.#timer);
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

  async #sendAll() {
    let state = null;
    let handed = null;
    while (this.#here.size > 0) {
      const all = [...this.#here.values()];
      const answer = all.find(({ question }) => question !== HAND_IN) ?? all[0];
      try {
        if (answer.question === HAND_IN) {
          handed = await this.#handIn();
          // What came of it says more than that answers were saved.
          state = handed ? null : 'closed';
        } else {
          state = await this.#put(answer) ?? state;
        }
      } catch {
        this.#onState('waiting');
        this.#timer = setTimeout(() => this.send(), this.#wait);
        this.#wait = Math.min(LONGEST_WAIT_MS, this.#wait * 2);
        return;
      }
      this.#wait = FIRST_WAIT_MS;
      await this.#drop(answer);
      if (handed) {
        this.#onHandedIn(handed);
        handed = null;
      }
    }
    if (state) {
      this.#onState(state);
    }
  }

  /** What came of it; null: the lesson is over by now. */
  async #handIn() {
    const response = await fetch(this.#base.replace(/answers$/, HAND_IN), { method: 'POST', headers: { 'X-Owner': this.#owner } });
    if (response.status === 404) {
      return null;
    }
    if (!response.ok || response.redirected) {
      throw new Error(`answered ${response.status}`);
    }
    return response.json();
  }

  async #put({ question, id, given }) {
    const response = await fetch(`${this.#base}/${question}/${id}`, {
      method: 'PUT', keepalive: JSON.stringify(given).length < 60_000, headers: { 'Content-Type': 'application/json', 'X-Owner': this.#owner }, body: JSON.stringify(given),
    });
    if (response.status === 400 || response.status === 404 || response.status === 413) {
      // It will never be taken; what was answered before stays.
      return 'gone';
    }
    if (!response.ok || response.redirected) {
      throw new Error(`answered ${response.status}`);
    }
    return { SAVED: 'saved', CLOSED: 'closed', GONE: 'gone', NO_MORE: 'noMore', HANDED_IN: 'handedIn' }[(await response.json()).taken];
  }

  /** A newer answer to the same question stays. */
  async #drop(answer) {
    if (this.#here.get(answer.question)?.id === answer.id) {
      this.#here.delete(answer.question);
    }
    await this.#written;
    try {
      const kept = await within('readonly', (store) => store.get([answer.owner, answer.base, answer.question]));
      if (kept?.id === answer.id) {
        await within('readwrite', (store) => store.delete([answer.owner, answer.base, answer.question]));
      }
    } catch {
      // There was nothing to drop.
    }
  }
}
