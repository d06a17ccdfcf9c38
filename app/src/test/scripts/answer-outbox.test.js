// A child's answers and her handing in, by a network that comes and goes.
import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { test } from 'node:test';

globalThis.window = new EventTarget();
globalThis.localStorage = { getItem: () => null, removeItem: () => {} };

const { AnswerOutbox, sendWaiting } = await import('../answering/answer-outbox.js');

const settled = () => new Promise((done) => { setTimeout(done, 30); });

test('handing in goes after all answers, with whose they are, and its end is told when nothing waits', async () => {
  const sent = [];
  let network = false;
  globalThis.fetch = async (address, { method, headers }) => {
    if (!network) {
      throw new TypeError('no network');
    }
    sent.push(`${method} ${address.split('/').slice(0, 5).join('/')} ${headers['X-Owner']}`);
    return { ok: true, status: 200, json: async () => (method === 'POST' ? { points: 3 } : { taken: 'SAVED' }) };
  };
  const states = [];
  const handed = [];
  const outbox = new AnswerOutbox('ada', '/my/a/answers', (state) => states.push(state), (end) => handed.push([end.points, outbox.waitsToHandIn]));
  outbox.handIn();
  outbox.put('q1', { typed: 'Rain' });
  await settled();
  assert.deepEqual([outbox.waitsToHandIn, states.at(-1), handed], [true, 'waiting', []]);
  assert.equal((await outbox.waiting()).length, 2);
  network = true;
  window.dispatchEvent(new Event('online'));
  await settled();
  assert.deepEqual(sent, ['PUT /my/a/answers/q1 ada', 'POST /my/a/hand-in ada']);
  assert.deepEqual(handed, [[3, false]]);
  assert.equal(states.includes('saved'), false, 'what came of handing in says more');
});

test('what waits of one child is sent by her own page alone', async () => {
  let network = false;
  const sent = [];
  globalThis.fetch = async (address) => {
    if (!network) {
      throw new TypeError('no network');
    }
    sent.push(address);
    return { ok: true, status: 200, json: async () => ({ taken: 'SAVED' }) };
  };
  new AnswerOutbox('bo', '/my/b/answers', () => {}).put('q2', { typed: 'Sun' });
  await settled();
  // As if her page had been closed: the next one is Ada's.
  globalThis.window = new EventTarget();
  network = true;
  await sendWaiting('ada');
  await settled();
  assert.deepEqual(sent, []);
  await sendWaiting('bo');
  await settled();
  assert.equal(sent.length, 1);
  assert.match(sent[0], /^\/my\/b\/answers\/q2\//);
});

test('a lesson that is over says so', async () => {
  globalThis.fetch = async () => ({ ok: false, status: 404 });
  const states = [];
  const outbox = new AnswerOutbox('cy', '/my/c/answers', (state) => states.push(state));
  await outbox.put('q', {});
  await outbox.handIn();
  await settled();
  assert.equal(states.at(-1), 'closed');
});
