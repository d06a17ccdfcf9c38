// When a change could not be made, the page says so beside what was pressed; nothing on it is replaced.
import { Answer } from './requests.js';

const ROOM_PX = 6;

const KEYS = { 401: 'signedOut', 403: 'signedOut', 404: 'gone', 410: 'gone', 413: 'tooLarge', 429: 'busy', 503: 'busy', 507: 'noRoom' };

/** Which of the page's notes says what an answer of the server means. */
export const keyOf = (status) => KEYS[status] ?? 'failed';

/**
 * Says one of the page's notes.
 *
 * @param beside what was pressed; null, or gone: it is said at the head of the page
 */
export function tell(key, beside = null) {
  const place = document.getElementById('house-note');
  place.textContent = place.dataset[key];
  place.hidden = false;
  const at = beside?.isConnected ? beside.getBoundingClientRect() : null;
  place.classList.toggle('beside', Boolean(at?.width));
  if (at?.width) {
    const widest = document.documentElement.clientWidth - place.offsetWidth - ROOM_PX;
    place.style.left = `${Math.max(ROOM_PX, Math.min(at.left, widest)) + window.scrollX}px`;
    place.style.top = `${at.bottom + ROOM_PX + window.scrollY}px`;
    place.scrollIntoView({ block: 'nearest' });
  } else {
    place.style.left = '';
    place.style.top = '';
  }
}

/** Says why a request failed. */
export function tellOf(failure, beside = null) {
  if (failure instanceof Answer) {
    tell(failure.needsSignIn ? 'signedOut' : keyOf(failure.status), beside);
  } else {
    tell('offline', beside);
  }
}

export function tellNothing() {
  document.getElementById('house-note').hidden = true;
}
