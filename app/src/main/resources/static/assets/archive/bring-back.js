// A saved lesson comes back: sent, looked through by the server, and then opened.
import { say } from '../platform/words.js';
import { put, watchFiles } from '../reading/upload.js';

const at = (id) => document.getElementById(id);
const megabytes = (bytes) => (bytes / 1024 ** 2).toFixed(1);

function show(text, share) {
  at('progress').hidden = false;
  const bar = at('progress').querySelector('progress');
  if (share === null) {
    bar.removeAttribute('value');
  } else {
    bar.value = share;
  }
  at('progress').querySelector('span').textContent = text;
}

async function send(file) {
  let request;
  try {
    request = await put('/bring-back', file, (loaded) => {
      const sent = loaded >= file.size;
      show(sent ? say('listening') : say('sending', { number: 1, count: 1, done: megabytes(loaded), all: megabytes(file.size) }), sent ? null : loaded / file.size);
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

async function take([file]) {
  at('fault').hidden = true;
  at('files').disabled = true;
  try {
    window.location.assign(await send(file));
  } catch (failure) {
    at('fault').textContent = `${file.name}: ${failure.message}`;
    at('fault').hidden = false;
    at('progress').hidden = true;
  }
  at('files').disabled = false;
}

watchFiles(at('files'), at('landing'), take);
