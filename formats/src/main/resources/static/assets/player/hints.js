// Hints, given one by one when the child asks.

/** Shows the next one, after the last one the last again; answers its spot. */
export function nextHint(outbox) {
  const asks = document.getElementById('hint');
  const hints = [...document.getElementById('hints').children];
  const next = hints.find((each) => each.hidden) ?? hints[hints.length - 1];
  next.hidden = false;
  const spot = next.querySelector('.spot');
  document.getElementById('hints-left').textContent = hints.filter((each) => each.hidden).length;
  if (asks.dataset.asked) {
    outbox.put(asks.dataset.asked + spot.dataset.line);
  }
  return spot;
}
