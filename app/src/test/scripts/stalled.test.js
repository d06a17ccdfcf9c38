// A sound that stops coming in its middle is told, and goes on by itself.
import assert from 'node:assert/strict';
import { beforeEach, test } from 'node:test';
import { StallWatch } from '../player/stall-watch.js';

globalThis.window = new EventTarget();

let now = 0;
let looks = new Map();
globalThis.performance.now = () => now;
globalThis.setInterval = (look) => { const id = {}; looks.set(id, look); return id; };
globalThis.clearInterval = (id) => looks.delete(id);

const pass = (ms, each = () => {}) => {
  for (const end = now + ms; now < end;) {
    now += 400;
    each();
    [...looks.values()].forEach((look) => look());
  }
};

class Voice extends EventTarget {
  currentTime = 0;

  duration = 10;

  ended = false;

  loads = 0;

  load() { this.loads++; this.currentTime = 0; }

  async play() {}
}

beforeEach(() => { looks = new Map(); });

function watched() {
  const told = [];
  const watch = new StallWatch({ onStuck: () => told.push('stuck'), onHealed: () => told.push('healed') });
  const voice = new Voice();
  watch.follow(voice);
  return { told, watch, voice };
}

test('while it goes on nothing is said, and a short halt is none', () => {
  const { told, voice } = watched();
  pass(5_000, () => { voice.currentTime += 0.4; });
  pass(2_000);
  pass(2_000, () => { voice.currentTime += 0.4; });
  assert.deepEqual(told, []);
});

test('after two and a half seconds it is told, fetched anew where it stopped, and told when it goes on', () => {
  const { told, voice, watch } = watched();
  voice.currentTime = 4;
  pass(400);
  pass(3_200);
  assert.deepEqual([told, watch.stuck], [['stuck'], true]);
  pass(3_600);
  assert.equal(voice.loads, 1);
  assert.equal(voice.currentTime, 4, 'it goes on where it stopped');
  window.dispatchEvent(new Event('online'));
  assert.equal(voice.loads, 2, 'at once when the network is there again');
  pass(800, () => { voice.currentTime += 0.4; });
  assert.deepEqual([told, watch.stuck], [['stuck', 'healed'], false]);
});

test('at its very end it is over, and not stuck', () => {
  const { told, voice, watch } = watched();
  let ended = 0;
  voice.addEventListener('ended', () => { ended++; });
  voice.currentTime = 9.98;
  pass(400);
  pass(4_000);
  assert.deepEqual([told, ended, watch.stuck], [[], 1, false]);
});

test('what is paused on purpose is not looked at', () => {
  const { told, watch, voice } = watched();
  watch.forget();
  pass(9_000);
  watch.failed();
  assert.deepEqual([told, voice.loads], [[], 0]);
});
