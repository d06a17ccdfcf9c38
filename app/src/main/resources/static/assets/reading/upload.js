// A file instead of the microphone: chosen or dropped, sent with its progress shown.
import { csrfToken } from '../house/requests.js';

export const LARGEST_BYTES = 200 * 1024 * 1024;

/** Sends the file; answers the verdict as HTML. */
export function upload(file, line, onProgress) {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    const address = `/recordings/${crypto.randomUUID?.() ?? newId()}/file?line=${line}&name=${encodeURIComponent(file.name)}`;
    request.open('PUT', address);
    request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.addEventListener('progress', (event) => onProgress(event.loaded / event.total));
    request.addEventListener('load', () => {
      const understood = request.status === 200 || request.status === 413;
      return understood ? resolve(request.responseText) : reject(new Error(`answered ${request.status}`));
    });
    request.addEventListener('error', () => reject(new Error('no connection')));
    request.send(file);
  });
}

/** Version 4 of RFC 9562 for pages that aren't secure contexts, where crypto.randomUUID is missing. */
function newId() {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6] & 0x0f) | 0x40;
  bytes[8] = (bytes[8] & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

/** Calls onFile for every file that is chosen in the field or dropped anywhere on the page. */
export function watchFiles(field, place, onFile) {
  field.addEventListener('change', () => {
    if (field.files[0]) {
      onFile(field.files[0]);
    }
    field.value = '';
  });
  document.addEventListener('dragover', (event) => {
    event.preventDefault();
    place.classList.add('over');
  });
  document.addEventListener('dragleave', () => place.classList.remove('over'));
  document.addEventListener('drop', (event) => {
    event.preventDefault();
    place.classList.remove('over');
    if (event.dataTransfer.files[0]) {
      onFile(event.dataTransfer.files[0]);
    }
  });
}
