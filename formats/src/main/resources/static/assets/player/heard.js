// Says that a line was heard to its end, where somebody wants to know it.

export function tellHeard(outbox, spot) {
  const base = document.body.dataset.heard;
  if (base && spot) {
    outbox.put(base + spot.dataset.line);
  }
}
