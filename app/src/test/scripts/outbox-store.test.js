// What waits on a device stays there with whose it is, also what earlier versions left.
import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { openDB } from 'idb';

const kept = new Map();
globalThis.localStorage = {
  getItem: (key) => kept.get(key) ?? null,
  removeItem: (key) => kept.delete(key),
};

test('what earlier versions left is moved once, with whose it is', async () => {
  const recordings = await openDB('prolalia', 1, {
    upgrade(database) {
      database.createObjectStore('recordings', { keyPath: 'id' });
      database.createObjectStore('chunks', { keyPath: ['recording', 'number'] });
    },
  });
  await recordings.put('recordings', { id: 'r', owner: 'ines', line: 'l', count: null });
  for (const number of [10, 9, 2]) {
    await recordings.put('chunks', { recording: 'r', number, data: new Uint8Array([number]).buffer });
  }
  recordings.close();
  const answers = await openDB('prolalia-answers', 1, {
    upgrade: (database) => database.createObjectStore('waiting', { keyPath: ['owner', 'base', 'question'] }),
  });
  await answers.put('waiting', { owner: 'ada', base: '/my/a/answers', question: 'q', id: 'i', given: { typed: 'Rain' } });
  answers.close();
  kept.set('outbox', JSON.stringify([{ owner: 'ada', address: '/heard/1', at: 1 }, { owner: 'bo', address: '/heard/2', at: 2 }]));
  const { allRecordings, answersOf, chunksOf, durable, heardOf } =
    await import('../platform/outbox-store.js');
  assert.deepEqual(await allRecordings(), [{ id: 'r', owner: 'ines', line: 'l', count: null }]);
  assert.equal(await durable.count(chunksOf('r')), 3);
  const [first] = [await durable.first(chunksOf('r'))];
  assert.deepEqual([first.key, first.owner, new Uint8Array(first.data)[0]], [2, 'ines', 2]);
  assert.deepEqual((await durable.all(answersOf('ada', '/my/a/answers'))).map(({ key, given }) => [key, given.typed]), [['q', 'Rain']]);
  assert.deepEqual(await durable.lanes(answersOf('ada', '')), [answersOf('ada', '/my/a/answers')]);
  assert.deepEqual(await durable.lanes(answersOf('bo', '')), []);
  assert.deepEqual((await durable.all(heardOf('ada'))).map(({ address }) => address), ['/heard/1']);
  assert.deepEqual((await durable.all(heardOf('bo'))).map(({ address }) => address), ['/heard/2']);
  assert.equal(kept.size, 0);
  // A newer one in its place isn't dropped with the older.
  await durable.put({ lane: heardOf('bo'), key: 2, id: 'new', address: '/heard/3' });
  await durable.drop({ lane: heardOf('bo'), key: 2, id: '2' });
  assert.equal((await durable.all(heardOf('bo'))).length, 1);
  await durable.empty(chunksOf('r'));
  assert.equal(await durable.first(chunksOf('r')), undefined);
});
