// What a child does that the server is to know of: kept until the server has it, in order and by whose it is, whatever the
// network does; a guest's for this visit. In a folder nothing is ever put into it.
import { remember, remembered } from './visit.js';

const KEY = 'outbox';
const MOST = 500;
const FIRST_WAIT_MS = 2_000;
const LONGEST_WAIT_MS = 60_000;

/** Not for good: somebody else is here, it took too long, it was too much at once. */
const LATER = [401, 403, 408, 425, 429];

const owner = document.documentElement.dataset.owner ?? '';

/** Of everybody on this device; where a browser refuses to keep anything, of this page. */
function all() {
  try {
    return JSON.parse((owner ? localStorage.getItem(KEY) : remembered(KEY)) ?? '[]').filter((each) => each.address);
  } catch {
    return JSON.parse(remembered(KEY) ?? '[]');
  }
}

function keep(entries) {
  const text = JSON.stringify(entries.slice(-MOST));
  try {
    if (owner) {
      localStorage.setItem(KEY, text);
      return;
    }
  } catch {
    // For this visit, then.
  }
  remember(KEY, text);
}

const own = () => all().filter((each) => (each.owner ?? '') === owner);

export class Outbox {
  #sending = false;

  #wait = FIRST_WAIT_MS;

  constructor() {
    window.addEventListener('online', () => this.#send());
    this.#send();
  }

  /** @param address that it is posted to */
  put(address) {
    keep([...all(), { owner, address, at: Date.now() + Math.random() }]);
    this.#send();
  }

  async #send() {
    if (this.#sending) {
      return;
    }
    this.#sending = true;
    try {
      for (let next = own()[0]; next; next = own()[0]) {
        const { address, at } = next;
        const response = await fetch(address, { method: 'POST', keepalive: true, headers: owner ? { 'X-Owner': owner } : {} });
        if (response.status >= 500 || LATER.includes(response.status)) {
          throw new Error(`answered ${response.status}`);
        }
        // What the server doesn't want it will not want later either.
        keep(all().filter((each) => each.at !== at || each.address !== address));
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
