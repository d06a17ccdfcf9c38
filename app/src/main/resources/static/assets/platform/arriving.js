// Files that come in: chosen or dropped, sent one after another with their progress shown. The page has #files, #landing,
// #progress and #fault; what is said on the way is in its words.
import { put, watchFiles } from '../record/upload.js';
import { misplaced } from './misplaced.js';
import { say } from './words.js';
import { served } from './served.js';

const at = (id) => document.getElementById(id);
const megabytes = (bytes) => (bytes / 1024 ** 2).toFixed(1);

/** @param share null: nobody knows how far it is */
function show(words, share) {
  const bar = at('progress').querySelector('progress');
  at('progress').hidden = false;
  if (share === null) {
    bar.removeAttribute('value');
  } else {
    bar.value = share;
  }
  at('progress').querySelector('span').textContent = words;
}

/** Sends a file; answers where it is now. */
async function send(address, file, onProgress) {
  let request;
  try {
    request = await put(address, file, onProgress);
  } catch (failure) {
    throw new Error(say('offline'));
  }
  const answer = request.getResponseHeader('Content-Type')?.startsWith('application/json') ? JSON.parse(request.responseText) : {};
  if (request.status !== 200 || !answer.at) {
    throw new Error(answer.why ?? say('failed'));
  }
  return served(answer.at);
}

/**
 * Takes files in.
 *
 * @param kind of files that are taken here: paper, sound or lesson
 * @param addresses the address of each file, of all of them
 * @param largestBytes of each
 * @param afterwards where to go when all of them came in, by the places they are at
 * @param whenSent said while the server works on a file that has come in; nothing: it is done with it at once
 */
export function takeIn({ kind, addresses, largestBytes, afterwards, whenSent = null }) {
  async function take(files) {
    at('fault').hidden = true;
    at('files').disabled = true;
    const where = addresses(files);
    const all = files.reduce((sum, file) => sum + file.size, 0);
    const places = [];
    const troubles = [];
    let before = 0;
    for (const [i, file] of files.entries()) {
      try {
        const other = misplaced(file, kind);
        if (other) {
          throw new Error(say(`misplaced.${other}`, { name: file.name }));
        }
        if (file.size > largestBytes) {
          throw new Error(say('tooLarge'));
        }
        const told = { number: i + 1, count: files.length, name: file.name, all: megabytes(file.size) };
        places.push(await send(where[i], file, (loaded) => {
          const works = whenSent && loaded >= file.size;
          show(works ? say(whenSent) : say('sending', { ...told, done: megabytes(loaded) }), works ? null : (before + loaded) / all);
        }));
      } catch (failure) {
        troubles.push(files.length > 1 && !failure.message.includes(file.name) ? `${file.name}: ${failure.message}` : failure.message);
      }
      before += file.size;
    }
    at('files').disabled = false;
    at('progress').hidden = true;
    at('fault').textContent = troubles.slice(0, 5).join(' ');
    at('fault').hidden = troubles.length === 0;
    const next = afterwards(places, troubles);
    if (next) {
      window.location.assign(next);
    }
  }

  watchFiles(at('files'), at('landing'), take);
}
