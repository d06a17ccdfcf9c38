// Files that come in: one is split over the script, several are matched to its lines.
import { say } from '../platform/words.js';
import { newId, put, watchFiles } from '../reading/upload.js';

const LARGEST_LONG_BYTES = 2 * 1024 ** 3;

const page = document.querySelector('.elsewhere');
const at = (id) => document.getElementById(id);
const lesson = `/lessons/${page.dataset.lesson}`;

function trouble(words) {
  at('fault').textContent = words;
  at('fault').hidden = false;
  at('progress').hidden = true;
}

/** Sends a file; answers what the server said of it. */
async function sendFile(address, file, onProgress) {
  let request;
  try {
    request = await put(`${address}?name=${encodeURIComponent(file.name)}`, file, onProgress);
  } catch (failure) {
    throw new Error(say('offline'));
  }
  const answer = request.getResponseHeader('Content-Type')?.startsWith('application/json') ? JSON.parse(request.responseText) : {};
  if (request.status !== 200 || !answer.at) {
    throw new Error(answer.why ?? say('failed'));
  }
  return answer;
}

function showProgress(done, all, words) {
  at('progress').hidden = false;
  at('progress').querySelector('progress').value = all ? done / all : 0;
  at('progress').querySelector('span').textContent = words;
}

const megabytes = (bytes) => (bytes / 1024 ** 2).toFixed(1);

async function takeOne(file) {
  if (file.size > LARGEST_LONG_BYTES) {
    trouble(say('tooLarge'));
    return;
  }
  const answer = await sendFile(`${lesson}/long-recordings/${newId()}`, file, (loaded) => showProgress(loaded, file.size, say('sending', { done: megabytes(loaded), all: megabytes(file.size) })));
  window.location.assign(answer.at);
}

/** Several files: each is on the server's disk before the next one goes. */
async function takeMany(files) {
  const batch = newId();
  const all = files.reduce((sum, file) => sum + file.size, 0);
  let sent = 0;
  let where = null;
  const troubles = [];
  for (const [number, file] of files.entries()) {
    const words = () => say('sendingMany', { number: number + 1, count: files.length, name: file.name });
    try {
      where = await sendFile(`${lesson}/batches/${batch}/files/${number}`, file, (loaded) => showProgress(sent + loaded, all, words()));
    } catch (failure) {
      troubles.push(`${file.name}: ${failure.message}`);
    }
    sent += file.size;
  }
  if (where) {
    window.location.assign(where.at);
  } else {
    trouble(troubles.slice(0, 5).join(' '));
  }
}

async function take(files) {
  at('fault').hidden = true;
  at('files').disabled = true;
  try {
    await (files.length === 1 ? takeOne(files[0]) : takeMany(files));
  } catch (failure) {
    trouble(failure.message);
  } finally {
    at('files').disabled = false;
  }
}

watchFiles(at('files'), at('landing'), take);
