// The chunk store: recordings in this browser until the server has them on its disk; their chunks wait in the outbox.
import { allRecordings, chunksOf, dropRecordingOnly, durable, putRecording as put } from '../platform/outbox-store.js';

/** Whose recordings this page makes and sends: whoever is signed in. A phone's go by the secret of its read-through. */
const owner = () => document.documentElement.dataset.owner ?? '';

/** Remembers a recording: { id, line, words, type, startedAt, count } where count is null until it has stopped. */
export const putRecording = (recording) => put({ owner: owner(), ...recording });

/** Those that this page may send: its owner's own, and those that have a secret of their own. Nobody else's are seen. */
export async function recordings() {
  const all = await allRecordings();
  return all.filter((each) => each.through || (each.owner ?? owner()) === owner());
}

export const putChunk = (recording, number, data) => durable.put({ lane: chunksOf(recording), key: number, owner: owner(), data });

export const countChunks = (recording) => durable.count(chunksOf(recording));

export async function dropRecording(recording) {
  await durable.empty(chunksOf(recording));
  await dropRecordingOnly(recording);
}
