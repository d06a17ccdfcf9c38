// How far what was said is on its way to the server, in words.
import { say } from '../platform/words.js';
import { pendingBytes, pendingMs, watchPending } from './pending.js';

/** Less is on its way at any time while somebody speaks: a second or two of sound. */
const USUAL_BYTES = 200_000;

const megabytes = (bytes) => Math.max(0.1, bytes / 1e6).toFixed(1);

/** "1.8 MB to go, about 40 s". */
export function pendingWords() {
  const ms = pendingMs();
  const size = { megabytes: megabytes(pendingBytes()) };
  return ms === null ? say('courier.toGo', size) : say('courier.toGoFor', { ...size, seconds: Math.ceil(ms / 1000) });
}

/** Shows it in a place of the page; answers what to call with each state of an uploader. */
export function uploadState(place) {
  let last = null;
  // While somebody speaks, the last second is always still here.
  const live = () => ['reading', 'recording'].includes(document.querySelector('.recorder').dataset.state);
  const show = () => {
    if (last === 'stored' && pendingBytes() > USUAL_BYTES) {
      place.textContent = pendingWords();
    } else {
      place.textContent = say(last === 'stored' && pendingBytes() === 0 && !live() ? 'courier.all' : `courier.${last}`);
    }
    place.classList.toggle('trouble', last !== 'stored');
  };
  watchPending(() => last && show());
  return (state) => {
    last = state;
    show();
  };
}
