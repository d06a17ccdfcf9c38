// Papers that come in: one is looked over at once, several wait in the list of what came in.
import { say } from '../platform/words.js';
import { newId, put, watchFiles } from '../reading/upload.js';

const LARGEST_BYTES = 100 * 1024 ** 2;

const page = document.querySelector('.bring-in');
const at = (id) => document.getElementById(id);
const megabytes = (bytes) => (bytes / 1024 ** 2).toFixed(1);

async function sendOne(file, number, count) {
  if (file.size > LARGEST_BYTES) {
    throw new Error(say('tooLarge'));
  }
  let request;
  try {
    request = await put(`/lessons/${page.dataset.lesson}/papers/${newId()}?name=${encodeURIComponent(file.name)}`, file, (loaded) => {
      at('progress').hidden = false;
      at('progress').querySelector('progress').value = loaded / file.size;
      at('progress').querySelector('span').textContent = say('sending', { number, count, done: megabytes(loaded), all: megabytes(file.size) });
    });
  } catch (failure) {
    throw new Error(say('offline'));
  }
  const answer = request.getResponseHeader('Content-Type')?.startsWith('application/json') ? JSON.parse(request.responseText) : {};
  if (request.status !== 200 || !answer.at) {
    throw new Error(answer.why ?? say('failed'));
  }
  return answer.at;
}

async function take(files) {
  at('fault').hidden = true;
  at('files').disabled = true;
  const troubles = [];
  let where = null;
  for (const [i, file] of files.entries()) {
    try {
      where = await sendOne(file, i + 1, files.length);
    } catch (failure) {
      troubles.push(`${file.name}: ${failure.message}`);
    }
  }
  at('files').disabled = false;
  at('progress').hidden = true;
  if (troubles.length > 0) {
    at('fault').textContent = troubles.join(' ');
    at('fault').hidden = false;
  } else {
    window.location.assign(files.length === 1 ? where : window.location.pathname);
  }
}

watchFiles(at('files'), at('landing'), take);
