// Looks with the camera, frame by frame: what is new among the codes it sees is added to the list.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';

const at = (id) => document.getElementById(id);
const start = at('try-live');
const video = at('live-picture');
const canvas = document.createElement('canvas');
const BETWEEN_MS = 250;
let stream = null;

/** The luminance of what is seen now (ITU-R BT.601), a byte for each point. */
function frame() {
  const scale = Math.min(1, Number(start.dataset.frame) / Math.max(video.videoWidth, video.videoHeight));
  canvas.width = Math.round(video.videoWidth * scale);
  canvas.height = Math.round(video.videoHeight * scale);
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  pen.drawImage(video, 0, 0, canvas.width, canvas.height);
  const { data } = pen.getImageData(0, 0, canvas.width, canvas.height);
  const grey = new Uint8Array(data.length / 4);
  for (let i = 0; i < grey.length; i += 1) {
    grey[i] = 0.299 * data[4 * i] + 0.587 * data[4 * i + 1] + 0.114 * data[4 * i + 2];
  }
  return grey;
}

function add(html) {
  const seen = new DOMParser().parseFromString(html, 'text/html');
  const codes = [...seen.querySelectorAll('li')];
  const list = at('tried').querySelector('ol');
  if (codes.length === 0) {
    return;
  }
  if (!list) {
    at('tried').replaceChildren(...seen.body.children);
    return;
  }
  codes
    .filter((code) => ![...list.children].some((known) => known.dataset.text === code.dataset.text))
    .forEach((code) => list.append(code));
}

function stop() {
  stream?.getTracks().forEach((track) => track.stop());
  stream = null;
  at('live').hidden = true;
  start.hidden = false;
  at('try-state').textContent = '';
}

async function look() {
  if (!stream || document.hidden) {
    stop();
    return;
  }
  if (video.videoWidth > 0) {
    try {
      const points = frame();
      const response = await send('PUT', `${start.dataset.to}?width=${canvas.width}&height=${canvas.height}`, points);
      add(await response.text());
    } catch {
      at('try-state').textContent = say('lost');
    }
  }
  setTimeout(look, BETWEEN_MS);
}

start.hidden = !navigator.mediaDevices?.getUserMedia;
start.addEventListener('click', async () => {
  try {
    stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } });
    video.srcObject = stream;
    await video.play();
    at('live').hidden = false;
    start.hidden = true;
    at('try-state').textContent = say('seeing');
    look();
  } catch {
    stop();
    at('try-state').textContent = say('noCamera');
  }
});
at('try-stop').addEventListener('click', stop);
