// What children answered and teachers said reaches the server, whatever the network does in between.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Outbox } from '../platform/outbox.js';

globalThis.window = new EventTarget();

const OK = { status: 200, ok: true };

/** A store in memory. @param left what an earlier page left in it */
function storeOf(left = []) {
  const kept = new Map(left.map((item) => [item.key, item]));
  return {
    kept,
    async put(item) { kept.set(item.key, item); },
    async all() { return [...kept.values()]; },
    async first() { return [...kept.values()][0]; },
    async drop({ key, id }) { return kept.get(key)?.id === id && kept.delete(key); },
  };
}

/** Answers one after another, the last one for ever; keeps what was sent. */
function serverOf(...answers) {
  const sent = [];
  return {
    sent,
    async deliver(item) {
      sent.push(item.key);
      const answer = answers.length > 1 ? answers.shift() : answers[0];
      if (answer instanceof Error) {
        throw answer;
      }
      return typeof answer === 'number' ? { status: answer, ok: answer < 300 } : answer;
    },
  };
}

const settled = async () => { for (let i = 0; i < 50; i++) { await Promise.resolve(); } };

/** What waits for its time; a test says when that has come. */
const due = new Map();
globalThis.setTimeout = (work) => { const id = {}; due.set(id, work); return id; };
globalThis.clearTimeout = (id) => due.delete(id);
const later = async () => { const all = [...due.values()]; due.clear(); all.forEach((work) => work()); await settled(); };

for (const trouble of [new Error('no network'), 401, 403, 408, 425, 429, 500, 503, { status: 200, ok: true, redirected: true }]) {
  test(`what met ${trouble.message ?? JSON.stringify(trouble)} goes again, in order, until it is there`, async () => {
    const store = storeOf();
    const server = serverOf(trouble, trouble, OK);
    const outbox = new Outbox({ lane: 'l', owner: 'ada', store, way: { deliver: server.deliver } });
    outbox.put(1, { given: 'a' });
    outbox.put(2, { given: 'b' });
    await settled();
    assert.deepEqual(server.sent, [1]);
    assert.deepEqual([...store.kept.keys()], [1, 2]);
    assert.equal(store.kept.get(1).owner, 'ada');
    await later();
    await later();
    assert.deepEqual(server.sent, [1, 1, 1, 2]);
    assert.equal(store.kept.size, 0);
    assert.equal(await outbox.emptied(), true);
  });
}

test('what the server will never take is told, and holds nothing up', async () => {
  const states = [];
  const server = serverOf(404, OK);
  const way = { deliver: server.deliver, taken: (item, answer) => (answer.ok ? 'saved' : 'gone'), idle: (state) => states.push(state) };
  const outbox = new Outbox({ lane: 'l', store: storeOf(), way });
  outbox.put('one', {});
  await outbox.put('two', {});
  assert.deepEqual(server.sent, ['one', 'two']);
  assert.deepEqual(states, ['saved']);
});

test('of a place the newest is sent, also when an older one is just on its way', async () => {
  const given = [];
  let arrive;
  const store = storeOf();
  const way = { deliver: (item) => { given.push(item.given); return new Promise((done) => { arrive = () => done(OK); }); } };
  const outbox = new Outbox({ lane: 'l', store, way });
  outbox.put('question', { given: 'R' });
  outbox.put('question', { given: 'Ra' });
  await settled();
  outbox.put('question', { given: 'Rain' });
  arrive();
  await settled();
  assert.equal(store.kept.get('question').given, 'Rain');
  arrive();
  await settled();
  assert.deepEqual([given[0], given.at(-1), store.kept.size], ['R', 'Rain', 0]);
});

test('what an earlier page left goes on from there; what was answered meanwhile is newer', async () => {
  const given = [];
  const left = [{ lane: 'l', key: 'a', id: '1', given: 'old' }, { lane: 'l', key: 'b', id: '2', given: 'left' }];
  const outbox = new Outbox({ lane: 'l', store: storeOf(left), way: { deliver: async (item) => { given.push(item.given); return OK; } } });
  outbox.put('a', { given: 'new' });
  await settled();
  assert.deepEqual(given, ['new', 'left']);
  assert.equal((await outbox.waiting()).length, 0);
});

test('where a browser keeps nothing, it goes from the page', async () => {
  const refuses = async () => { throw new Error('private'); };
  const server = serverOf(OK);
  const outbox = new Outbox({ lane: 'l', store: { put: refuses, all: refuses, drop: refuses }, way: { deliver: server.deliver } });
  outbox.put('a', {});
  assert.equal(await outbox.emptied(), true);
  assert.deepEqual(server.sent, ['a']);
});

test('a chunk that comes while the network is gone is carried with those before it', async () => {
  const store = storeOf([{ lane: 'c', key: 0 }]);
  const server = serverOf(new Error('no network'), OK);
  const outbox = new Outbox({ lane: 'c', store, large: true, way: { deliver: server.deliver } });
  let carried = false;
  outbox.carried().then(() => { carried = true; });
  await settled();
  store.kept.set(1, { lane: 'c', key: 1 });
  await settled();
  assert.equal(carried, false);
  window.dispatchEvent(new Event('online'));
  await settled();
  assert.deepEqual([server.sent, carried, store.kept.size], [[0, 0, 1], true, 0]);
});

test('a recording that is refused stays in the browser, and nobody waits for it', async () => {
  const store = storeOf([{ lane: 'c', key: 0 }]);
  const outbox = new Outbox({ lane: 'c', store, large: true, way: { deliver: async () => ({ status: 404 }), taken: () => outbox.stop() } });
  await outbox.carried();
  assert.equal(store.kept.size, 1);
});
