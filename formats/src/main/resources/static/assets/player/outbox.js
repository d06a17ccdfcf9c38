// What a child does that the server is to know of: kept until the server has it, in order and by whose it is; a guest's for this
// visit. In a folder nothing is ever put into it.
import { Outbox } from '../platform/outbox.js';
import { durable, heardOf } from '../platform/outbox-store.js';
import { ofVisit } from './visit.js';

const MOST = 500;

const owner = document.documentElement.dataset.owner ?? '';
const way = {
  deliver: ({ address }) => fetch(address, { method: 'POST', keepalive: true, headers: owner ? { 'X-Owner': owner } : {} }),
};

/** The lane of the hints that she asked for. */
export const HINTS = `hints ${owner}`;

export class HeardOutbox {
  #outbox;

  /** @param lane that nobody else on this page sends: what waits in it goes once */
  constructor(lane = heardOf(owner)) {
    this.#outbox = new Outbox({ lane, owner, store: owner ? durable : ofVisit, way, most: MOST });
  }

  /** @param address that it is posted to */
  put(address) {
    this.#outbox.put(Date.now() + Math.random(), { address });
  }
}
