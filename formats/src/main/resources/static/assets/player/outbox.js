// What a child does that the server is to know of: kept for this visit until the server has it, in order, whatever the
// network does. In a folder nothing is ever put into it.
import { remember, remembered } from './visit.js';

const KEY = 'outbox';
const FIRST_WAIT_MS = 2_000;
const LONGEST_WAIT_MS = 60_000;

export class Outbox {
  #waiting = JSON.parse(remembered(KEY) ?? '[]');

  #sending = false;

  #wait = FIRST_WAIT_MS;

  constructor() {
    window.addEventListener('online', () => this.#send());
    this.#send();
  }

  /** @param address that it is posted to */
  put(address) {
    this.#waiting.push(address);
    this.#keep();
    this.#send();
  }

  #keep() {
    remember(KEY, JSON.stringify(this.#waiting));
  }

  async #send() {
    if (this.#sending) {
      return;
    }
    this.#sending = true;
    try {
      while (this.#waiting.length > 0) {
        const response = await fetch(this.#waiting[0], { method: 'POST', keepalive: true });
        if (response.status >= 500) {
          throw new Error(`answered ${response.status}`);
        }
        // What the server doesn't want it will not want later either.
        this.#waiting.shift();
        this.#keep();
        this.#wait = FIRST_WAIT_MS;
      }
    } catch (failure) {
      setTimeout(() => this.#send(), this.#wait);
      this.#wait = Math.min(LONGEST_WAIT_MS, this.#wait * 2);
    } finally {
      this.#sending = false;
    }
  }
}
