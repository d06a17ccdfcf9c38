// Says how much of a line was heard, where somebody wants to know it.
const LEAST_SHARE = 0.05;

/** To its end. */
export function tellHeard(outbox, spot) {
  const base = document.body.dataset.heard;
  if (base && spot) {
    outbox.put(base + spot.dataset.line);
  }
}

/** It stopped before its end. */
export function tellPart(outbox, spot, audio) {
  const base = document.body.dataset.heard;
  const share = audio.ended || !audio.duration ? 0 : audio.currentTime / audio.duration;
  if (base && spot && share > LEAST_SHARE) {
    outbox.put(`${base}${spot.dataset.line}?percent=${Math.min(99, Math.round(share * 100))}`);
  }
}
