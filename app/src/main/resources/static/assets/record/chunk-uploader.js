// The uploader carries chunks from the chunk store to the server, in order, as often as it takes.
import { isLater, Outbox } from '../platform/outbox.js';
import { chunksOf, durable } from '../platform/outbox-store.js';
import { csrfToken, ownerHeader, send } from '../platform/requests.js';
import { served } from '../platform/served.js';
import { forgetPending, settlePending } from './pending.js';

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 5000;
const NO_ROOM = 507;

/** Where a recording goes: a phone's by the secret of its read-through, all others as whoever is signed in. */
export const addressOf = (recording) => `${recording.through || served('')}/recordings/${recording.id}`;

/** @param answer the server's; missing: there was none */
function stateAfter(answer) {
  if (!answer) {
    return 'offline';
  }
  const signedOut = answer.redirected || answer.status === 401 || answer.status === 403;
  return answer.status === NO_ROOM ? 'noRoom' : signedOut ? 'signedOut' : 'offline';
}

export class ChunkUploader {
  #outbox;

  /**
   * @param recording as in the chunk store
   * @param onState called with 'stored', 'offline', 'noRoom', 'signedOut' or 'lost' as things go
   */
  constructor(recording, onState = () => {}) {
    this.#outbox = new Outbox({
      lane: chunksOf(recording.id),
      store: durable,
      large: true,
      way: {
        deliver: ({ key, data }) => fetch(`${addressOf(recording)}/chunks/${key}?line=${recording.line}`, {
          method: 'PUT', headers: { 'X-XSRF-TOKEN': csrfToken(), ...ownerHeader(), 'Content-Type': recording.type }, body: data,
        }),
        taken: ({ data }, answer) => {
          if (answer.ok) {
            settlePending(recording.id, data.byteLength);
            onState('stored');
          } else {
            // It will never be taken. It stays in the chunk store: somebody else may be signed in here.
            this.stop();
            forgetPending(recording.id);
            onState('lost');
          }
        },
        later: (answer) => onState(stateAfter(answer)),
      },
    });
  }

  /** Carries whatever is in the chunk store. Call it after every new chunk; while it is on its way, it does nothing. */
  upload() {
    return this.#outbox.send();
  }

  /** Answers when the chunk store is empty, or nothing more can be carried. */
  emptied() {
    return this.#outbox.carried();
  }

  stop() {
    this.#outbox.stop();
  }
}

/**
 * Ends a recording whose chunks have all been carried; answers the verdict as HTML. Tries until the server answers.
 *
 * @param more what else the server should know: words that were shown, whether to keep the take at once
 */
export async function end(recording, onState = () => {}, more = {}) {
  for (let wait = FIRST_WAIT_MS; ; wait = Math.min(LONGEST_WAIT_MS, wait * 2)) {
    try {
      const response = await send('POST', `${addressOf(recording)}/end`, new URLSearchParams({ chunks: recording.count, ...more }));
      return await response.text();
    } catch (failure) {
      if (failure.response && !isLater(failure.response)) {
        throw failure;
      }
      onState(stateAfter(failure.response));
      await new Promise((resolve) => { setTimeout(resolve, wait); });
    }
  }
}
