// What this page has recorded and the server hasn't acknowledged yet: how much, and about how long that takes.

const RATE_OVER_MS = 10_000;
const LEAVES = 'beforeunload';

let first = null;
const waiting = new Map();
const acknowledged = [];
const listeners = new Set();

const sum = (numbers) => [...numbers].reduce((all, each) => all + each, 0);
export const pendingBytes = () => sum(waiting.values());

/** How long the rest takes at the rate of late, in ms; null as long as nothing tells. */
export function pendingMs() {
  const since = performance.now() - RATE_OVER_MS;
  while (acknowledged.length > 0 && acknowledged[0].at < since) {
    acknowledged.shift();
  }
  const over = Math.min(RATE_OVER_MS, performance.now() - first);
  const rate = sum(acknowledged.map((each) => each.bytes)) / over;
  return rate > 0 ? pendingBytes() / rate : null;
}

/** Before a tab is closed whose sound isn't all on the server, the browser asks. */
const ask = (event) => event.preventDefault();

function changed() {
  (pendingBytes() > 0 ? window.addEventListener : window.removeEventListener)(LEAVES, ask);
  listeners.forEach((listener) => listener());
}

/** A chunk was recorded. */
export function addPending(recording, bytes) {
  first ??= performance.now();
  waiting.set(recording, (waiting.get(recording) ?? 0) + bytes);
  changed();
}

/** A chunk is on the server; one that an earlier page left doesn't count. */
export function settlePending(recording, bytes) {
  if (waiting.has(recording)) {
    waiting.set(recording, Math.max(0, waiting.get(recording) - bytes));
    acknowledged.push({ at: performance.now(), bytes });
    changed();
  }
}

/** A recording was thrown away, or is over. */
export function forgetPending(recording) {
  waiting.delete(recording);
  changed();
}

export const watchPending = (listener) => listeners.add(listener);
