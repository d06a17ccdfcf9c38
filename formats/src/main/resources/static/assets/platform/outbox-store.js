// What waits in this browser until the server has it, and whose it is: one database (IndexedDB) for all of it. An item stands in a
// lane, by a key that says its place there: { lane, key, owner, … }.
import { deleteDB, openDB } from 'idb';

const ITEMS = 'items';
const RECORDINGS = 'recordings';
const MOVED = 'moved';
const DURABLE = { durability: 'strict' };

const of = (lane) => IDBKeyRange.bound([lane], [lane, []]);

/** The lanes that earlier versions had, each in a place of its own. */
async function fromBefore(name, stores, move) {
  const before = await openDB(name);
  if (stores.every((store) => before.objectStoreNames.contains(store))) {
    await move(before);
  }
  before.close();
  // While another tab has it open it stays; it isn't looked at any more.
  deleteDB(name).catch(() => {});
}

async function moved(database) {
  if (await database.get(MOVED, 1)) {
    return;
  }
  await fromBefore('prolalia', [RECORDINGS, 'chunks'], async (before) => {
    for (const recording of await before.getAll(RECORDINGS)) {
      await database.put(RECORDINGS, recording);
      const lane = chunksOf(recording.id);
      for (const { number, data } of await before.getAll('chunks', IDBKeyRange.bound([recording.id, 0], [recording.id, Infinity]))) {
        await database.put(ITEMS, { lane, key: number, owner: recording.owner, data });
      }
    }
  });
  await fromBefore('prolalia-answers', ['waiting'], async (before) => {
    for (const { owner, base, question, id, given } of await before.getAll('waiting')) {
      await database.put(ITEMS, { lane: answersOf(owner, base), key: question, owner, id, given });
    }
  });
  const heard = JSON.parse(localStorage.getItem('outbox') ?? '[]').filter((each) => each.address);
  for (const { owner, address, at } of heard) {
    await database.put(ITEMS, { lane: heardOf(owner ?? ''), key: at, owner, id: `${at}`, address });
  }
  localStorage.removeItem('outbox');
  await database.put(MOVED, { all: 1 });
}

let opened;

function open() {
  opened ??= openDB('prolalia-outbox', 1, {
    upgrade(database) {
      database.createObjectStore(ITEMS, { keyPath: ['lane', 'key'] });
      database.createObjectStore(RECORDINGS, { keyPath: 'id' });
      database.createObjectStore(MOVED, { keyPath: 'all' });
    },
    // A newer version elsewhere doesn't wait for this tab.
    blocking: (now, next, event) => event.target.close(),
  }).then(async (database) => {
    // What can't be moved now is tried again by the next page.
    await moved(database).catch(() => {});
    return database;
  });
  opened.catch(() => { opened = undefined; });
  return opened;
}

/** Waits until it is on the disk. */
async function write(store, work) {
  const transaction = (await open()).transaction(store, 'readwrite', DURABLE);
  await work(transaction.store);
  await transaction.done;
}

/** The lane of a recording's chunks. */
export const chunksOf = (recording) => `chunks ${recording}`;
/** The lane of a child's answers to something. */
export const answersOf = (owner, base) => `answers ${owner} ${base}`;
/** The lane of what a child did that the server is to know of. */
export const heardOf = (owner) => `heard ${owner}`;

/** Kept however long it takes. */
export const durable = {
  put: (item) => write(ITEMS, (store) => store.put(item)),
  all: async (lane) => (await open()).getAll(ITEMS, of(lane)),
  first: async (lane) => (await (await open()).getAll(ITEMS, of(lane), 1))[0],
  count: async (lane) => (await open()).count(ITEMS, of(lane)),
  /** Drops an item, unless a newer one stands in its place. */
  drop: ({ lane, key, id }) => write(ITEMS, async (store) => {
    if ((await store.get([lane, key]))?.id === id) {
      await store.delete([lane, key]);
    }
  }),
  empty: (lane) => write(ITEMS, (store) => store.delete(of(lane))),
  /** The lanes whose names begin so. */
  async lanes(beginning) {
    const keys = await (await open()).getAllKeys(ITEMS, IDBKeyRange.bound([beginning], [`${beginning}\uffff`]));
    return [...new Set(keys.map(([lane]) => lane))];
  },
};

export const putRecording = (recording) => write(RECORDINGS, (store) => store.put(recording));
export const allRecordings = async () => (await open()).getAll(RECORDINGS);
export const dropRecordingOnly = (id) => write(RECORDINGS, (store) => store.delete(id));
