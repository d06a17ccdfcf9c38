// The hints of a question, one after another.
import { HeardOutbox, HINTS } from '../player/outbox.js';

const outbox = new HeardOutbox(HINTS);

export function bindHints(place) {
  const button = place.querySelector('.hint-of');
  button?.addEventListener('click', () => {
    const rows = [...place.querySelectorAll('.hints-of > li')];
    const next = rows.find((row) => row.hidden) ?? rows.at(-1);
    next.hidden = false;
    const spot = next.querySelector('.spot');
    spot?.click();
    const base = document.body.dataset.recordings;
    if (spot && base) {
      outbox.put(`${base}/hints/${spot.dataset.line}`);
    }
  });
}
