// Answers on their way: of a question the newest alone is sent, and handing in after all of them.
import { Outbox } from '../platform/outbox.js';
import { answersOf, durable } from '../platform/outbox-store.js';

/** In place of a question: all of it is handed in. */
const HAND_IN = 'hand-in';
/** So much may a page that is being left still send. */
const LEAVING_BYTES = 60_000;

const STATES = { SAVED: 'saved', CLOSED: 'closed', GONE: 'gone', NO_MORE: 'noMore', HANDED_IN: 'handedIn' };

/** Sends what waits on this device of a child's answers, to whatever it was. */
export async function sendWaiting(owner) {
  try {
    const beginning = answersOf(owner, '');
    (await durable.lanes(beginning)).forEach((lane) => new AnswerOutbox(owner, lane.slice(beginning.length), () => {}));
  } catch {
    // Nothing is kept in this browser.
  }
}

export class AnswerOutbox {
  #outbox;

  #base;

  #owner;

  /** What came of handing in, until it is told. */
  #handed = null;

  /**
   * @param onState called with 'saved', 'waiting', 'closed' or 'gone' as things go
   * @param onHandedIn called with what came of handing in, whenever it got there
   */
  constructor(owner, base, onState, onHandedIn = () => {}) {
    this.#owner = owner;
    this.#base = base;
    this.#outbox = new Outbox({
      lane: answersOf(owner, base),
      owner,
      store: durable,
      way: {
        deliver: (item) => (item.key === HAND_IN ? this.#handIn() : this.#give(item)),
        taken: (item, answer) => (item.key === HAND_IN ? this.#handedIn(answer) : this.#given(answer)),
        first: (items) => items.find(({ key }) => key !== HAND_IN) ?? items[0],
        later: () => onState('waiting'),
        idle: (state) => {
          const handed = this.#handed;
          this.#handed = null;
          if (handed) {
            onHandedIn(handed);
          }
          if (state) {
            onState(state);
          }
        },
      },
    });
  }

  /** What waits on this device of this child's answers. */
  async waiting() {
    return (await this.#outbox.waiting()).map(({ key, given }) => ({ question: key, given }));
  }

  put(question, given) {
    this.#outbox.put(question, { given });
  }

  /** Hands in, now or as soon as there is a way; it waits in this browser until then. */
  handIn() {
    return this.#outbox.put(HAND_IN, { given: null });
  }

  /** Whether handing in waits for the network. */
  get waitsToHandIn() {
    return this.#outbox.has(HAND_IN);
  }

  /** Whether the server has all of it. */
  emptied() {
    return this.#outbox.emptied();
  }

  #give({ key, id, given }) {
    const body = JSON.stringify(given);
    return fetch(`${this.#base}/${key}/${id}`, {
      method: 'PUT', keepalive: body.length < LEAVING_BYTES, headers: { 'Content-Type': 'application/json', 'X-Owner': this.#owner }, body,
    });
  }

  /** Where it will never be taken, what was answered before stays. */
  async #given(answer) {
    return answer.ok ? STATES[(await answer.json()).taken] : 'gone';
  }

  #handIn() {
    return fetch(this.#base.replace(/answers$/, HAND_IN), { method: 'POST', headers: { 'X-Owner': this.#owner } });
  }

  /** Tells what came of it, which says more than that answers were saved; the lesson may be over by now. */
  async #handedIn(answer) {
    if (!answer.ok) {
      return 'closed';
    }
    this.#handed = await answer.json();
    return '';
  }
}
