// A file instead of the microphone: chosen or dropped, sent with its progress shown.
import { newId } from '../platform/new-id.js';
import { csrfToken } from '../platform/requests.js';
import { served } from '../platform/served.js';

export const LARGEST_BYTES = 200 * 1024 * 1024;

/** Sends a file; answers the request when it is over. */
export function put(address, file, onProgress) {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('PUT', address);
    request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.addEventListener('progress', (event) => onProgress(event.loaded, event.total));
    request.addEventListener('load', () => resolve(request));
    request.addEventListener('error', () => reject(new Error('no connection')));
    request.send(file);
  });
}

/** Sends a file for a line; answers the verdict as HTML. */
export async function upload(file, line, onProgress) {
  const address = served(`/recordings/${newId()}/file?line=${line}&name=${encodeURIComponent(file.name)}`);
  const request = await put(address, file, (loaded, total) => onProgress(loaded / total));
  if (request.status !== 200 && request.status !== 413) {
    throw new Error(`answered ${request.status}`);
  }
  return request.responseText;
}

/** Calls onFiles with the files that are chosen in the field or dropped anywhere on the page. */
export function watchFiles(field, place, onFiles) {
  const take = (files) => {
    if (files.length > 0) {
      onFiles([...files]);
    }
  };
  const takeChosen = () => {
    take(field.files);
    field.value = '';
    // The field isn't seen: with the focus in it, keys would do nothing.
    field.blur();
    document.getElementById('content')?.focus({ preventScroll: true });
  };
  field.addEventListener('change', takeChosen);
  if (field.files.length > 0) {
    // Chosen before this script had come.
    takeChosen();
  }
  document.addEventListener('dragover', (event) => {
    event.preventDefault();
    place.classList.add('over');
  });
  document.addEventListener('dragleave', () => place.classList.remove('over'));
  document.addEventListener('drop', (event) => {
    event.preventDefault();
    place.classList.remove('over');
    take(event.dataTransfer.files);
  });
}
