// When a change could not be made, the page says so; nothing on it is replaced.
import { Answer } from './requests.js';

/** Says one of the page's notes: signedOut, failed or offline. */
export function tell(key) {
  const place = document.getElementById('house-note');
  place.textContent = place.dataset[key];
  place.hidden = false;
}

/** Says why a request failed. */
export function tellOf(failure) {
  if (failure instanceof Answer) {
    tell(failure.needsSignIn ? 'signedOut' : 'failed');
  } else {
    tell('offline');
  }
}

export function tellNothing() {
  document.getElementById('house-note').hidden = true;
}
