// What an edit will come to is heard at once: the same pieces that the server will say.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { optimisticEdit } from '../bench/optimistic-edit.js';

const bench = (...spans) => ({ gainDb: 0, quieter: false, pieces: spans.map(([startMs, endMs]) => ({ startMs, endMs })) });
const heard = ({ pieces }) => pieces.map(({ startMs, endMs, pauseMs }) => (endMs > 0 ? [startMs, endMs] : pauseMs));

test('what is cut out is gone, across pieces and pauses, and nothing else is', () => {
  const cut = (from, to, ...spans) => heard(optimisticEdit(bench(...spans), { kind: 'CUT', startMs: from, endMs: to }));
  assert.deepEqual(cut(300, 500, [0, 1000]), [[0, 300], [500, 1000]]);
  assert.deepEqual(cut(0, 200, [0, 1000]), [[200, 1000]]);
  assert.deepEqual(cut(800, 1000, [0, 1000]), [[0, 800]]);
  assert.deepEqual(cut(0, 1000, [0, 1000]), []);
  assert.deepEqual(cut(400, 700, [0, 500], [600, 1000]), [[0, 400], [700, 1000]]);
  assert.deepEqual(cut(500, 600, [0, 500], [600, 1000]), [[0, 500], [600, 1000]], 'what was out already');
});

test('a pause comes in where it is put, and not where nothing is heard', () => {
  const pause = (at, ...spans) => heard(optimisticEdit(bench(...spans), { kind: 'PAUSE', startMs: at, endMs: 700 }));
  assert.deepEqual(pause(400, [0, 1000]), [[0, 400], 700, [400, 1000]]);
  assert.deepEqual(pause(0, [0, 1000]), [[0, 1000]]);
  assert.deepEqual(pause(550, [0, 500], [600, 1000]), [[0, 500], [600, 1000]]);
  const twice = optimisticEdit(optimisticEdit(bench([0, 1000]), { kind: 'PAUSE', startMs: 400, endMs: 700 }), { kind: 'CUT', startMs: 300, endMs: 600 });
  assert.deepEqual(heard(twice), [[0, 300], 700, [600, 1000]], 'the pause stays when what is around it goes');
});

test('louder and less noise are heard; what only the server can tell is left to it', () => {
  assert.equal(optimisticEdit(bench([0, 9]), { kind: 'GAIN', db: 6 }).gainDb, 6);
  assert.equal(optimisticEdit(bench([0, 9]), { kind: 'QUIETER', on: true }).quieter, true);
  assert.equal(optimisticEdit(bench([0, 9]), { kind: 'SPLIT' }), null);
  assert.equal(optimisticEdit(bench([0, 9]), null), null);
});
