// The play rule of a spot, and how often its sound was started in this lesson.
import { remember, remembered } from './visit.js';

export function ruleOf({ dataset }) {
  return {
    onArrival: 'arrival' in dataset,
    volume: Number(dataset.volume ?? 100) / 100,
    // 0: again and again, until the page is left
    times: Number(dataset.times ?? 1),
    goesOn: 'goesOn' in dataset,
    // 0: as often as wanted
    most: Number(dataset.most ?? 0),
    underSpeech: 'under' in dataset,
  };
}

const key = (spot) => `started ${window.location.pathname.replace(/\/\d+$/, '')} ${spot.dataset.line}`;
const started = (spot) => Number(remembered(key(spot)) ?? 0);

export function countStart(spot) {
  remember(key(spot), started(spot) + 1);
}

/** Whether it was started as often as it may be. */
export function isSpent(spot) {
  const { most } = ruleOf(spot);
  return most > 0 && started(spot) >= most;
}
