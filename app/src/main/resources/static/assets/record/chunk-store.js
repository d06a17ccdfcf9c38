// The chunk store: recordings in this browser (IndexedDB) until the server has them on its disk.

const STORES = { recordings: 'recordings', chunks: 'chunks' };

function asPromise(request) {
  return new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
}

let opened;

function open() {
  opened ??= new Promise((resolve, reject) => {
    const request = indexedDB.open('prolalia', 1);
    request.onupgradeneeded = () => {
      request.result.createObjectStore(STORES.recordings, { keyPath: 'id' });
      request.result.createObjectStore(STORES.chunks, { keyPath: ['recording', 'number'] });
    };
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
  return opened;
}

/** Runs one request in a transaction of its own and waits until it is durable. */
async function within(store, mode, work) {
  const database = await open();
  const transaction = database.transaction(store, mode, { durability: 'strict' });
  const done = new Promise((resolve, reject) => {
    transaction.oncomplete = resolve;
    transaction.onabort = () => reject(transaction.error);
  });
  const result = await asPromise(work(transaction.objectStore(store)));
  await done;
  return result;
}

const chunksOf = (recording) => IDBKeyRange.bound([recording, 0], [recording, Infinity]);

/** Whose recordings this page makes and sends: whoever is signed in. A phone's go by the secret of its read-through. */
const owner = () => document.documentElement.dataset.owner ?? '';

/** Remembers a recording: { id, line, words, type, startedAt, count } where count is null until it has stopped. */
export const putRecording = (recording) =>
  within(STORES.recordings, 'readwrite', (s) => s.put({ owner: owner(), ...recording }));

/** Those that this page may send: its owner's own, and those that have a secret of their own. Nobody else's are seen. */
export async function recordings() {
  const all = await within(STORES.recordings, 'readonly', (s) => s.getAll());
  return all.filter((each) => each.through || (each.owner ?? owner()) === owner());
}

export const putChunk = (recording, number, data) =>
  within(STORES.chunks, 'readwrite', (s) => s.put({ recording, number, data }));

/** The earliest chunk that the server hasn't acknowledged, or undefined. */
export async function firstChunk(recording) {
  const found = await within(STORES.chunks, 'readonly', (s) => s.getAll(chunksOf(recording), 1));
  return found[0];
}

export const countChunks = (recording) => within(STORES.chunks, 'readonly', (s) => s.count(chunksOf(recording)));

export const dropChunk = (recording, number) =>
  within(STORES.chunks, 'readwrite', (s) => s.delete([recording, number]));

export async function dropRecording(recording) {
  await within(STORES.chunks, 'readwrite', (s) => s.delete(chunksOf(recording)));
  await within(STORES.recordings, 'readwrite', (s) => s.delete(recording));
}
