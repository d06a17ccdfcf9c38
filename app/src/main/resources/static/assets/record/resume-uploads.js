// On return: what a closed tab left in the chunk store goes to the server, and is offered to the teacher again.
import { ChunkUploader, end } from './chunk-uploader.js';
import { countChunks, dropRecording, recordings } from './chunk-store.js';
import { send } from '../platform/requests.js';
import { served } from '../platform/served.js';

/** A recording that is being made holds this lock, in whatever tab that is. */
export const lockName = (id) => `recording-${id}`;

/** What children answered goes from their own pages alone, and what was said back to them from the listening desk. */
const teachersOwn = async () => (await recordings()).filter((each) => !/\/(my|assignments)\//.test(each.through ?? ''));

/** Answers whether it was left over: nobody records it any more. */
async function carryLeftOver(recording) {
  return navigator.locks.request(lockName(recording.id), { ifAvailable: true }, async (lock) => {
    if (!lock) {
      return false;
    }
    await new ChunkUploader(recording).emptied();
    // What the server doesn't take (another teacher may be signed in here) stays in the chunk store.
    if ((await countChunks(recording.id)) === 0) {
      await dropRecording(recording.id);
    }
    return true;
  });
}

/** Ends what a closed tab left of a recording; answers the verdict, or null while some tab still records it. */
export async function finishLeftOver(recording, more) {
  return navigator.locks.request(lockName(recording.id), { ifAvailable: true }, async (lock) => {
    if (!lock) {
      return null;
    }
    const uploader = new ChunkUploader(recording);
    await uploader.emptied();
    const verdict = await end({ ...recording, count: recording.count ?? '' }, () => {}, more);
    await dropRecording(recording.id);
    return verdict;
  });
}

/** Brings what this browser still has of one recording to the server, before it is put together there. */
export async function uploadRest(id) {
  const left = window.indexedDB && navigator.locks ? await teachersOwn() : [];
  const recording = left.find((each) => each.id === id);
  if (recording) {
    await carryLeftOver(recording);
  }
}

/** Runs on every teacher's page. */
export async function resumeUploads() {
  const place = document.getElementById('unfinished');
  if (!navigator.locks || !window.indexedDB) {
    return;
  }
  const left = [];
  for (const recording of await teachersOwn()) {
    if (await carryLeftOver(recording)) {
      left.push(recording.id);
    }
  }
  if (place) {
    const of = new URLSearchParams({ ...place.dataset, left });
    const listed = await send('GET', served(`/recordings/unfinished?${of}`)).catch(() => null);
    const fresh = document.createElement('template');
    fresh.innerHTML = listed ? await listed.text() : place.innerHTML;
    // What stands there already isn't taken from under a finger that just presses it.
    if (fresh.innerHTML.trim() !== place.innerHTML.trim()) {
      place.replaceChildren(fresh.content);
      htmx.process(place);
    }
  }
}
