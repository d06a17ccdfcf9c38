// The order in which the lines of a page are said: those beside it first, each once.
import { isSpent, ruleOf } from './rule.js';

export function inOrder(spots) {
  const all = spots.filter((spot) => !spot.closest('.hints') && !ruleOf(spot).underSpeech);
  const beside = all.filter((spot) => spot.closest('.says'));
  const seen = new Set();
  return [...beside, ...all].filter((spot) => !seen.has(spot.dataset.line) && seen.add(spot.dataset.line));
}

/** The next one that may still be heard. @param now the one that is heard now */
export function nextLine(spots, now) {
  const order = inOrder(spots);
  const index = order.findIndex((spot) => spot.dataset.line === now.dataset.line);
  return order.slice(index + 1).find((spot) => !isSpent(spot));
}
