// The microphone check: three seconds, judged by the server, kept nowhere. The chosen input is remembered on this device.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { showLevel } from '../record/level.js';
import { bestType, Microphone, troubleOf } from '../record/microphone.js';
import { troubleWords } from '../record/trouble.js';
import { served } from '../platform/served.js';

const SECONDS = 3;
const page = document.querySelector('.microphone-check');
const at = (id) => document.getElementById(id);
const microphone = new Microphone();
let loudest = 0;

function enter(state) {
  page.dataset.state = state;
  at('announce').textContent = say(`state.${state}`);
  at('check').disabled = state !== 'ready';
}

async function open(deviceId) {
  try {
    await microphone.open(deviceId);
    const inputs = await microphone.inputs();
    at('input').replaceChildren(...inputs.map((input, i) => new Option(input.label || `${i + 1}`, input.deviceId)));
    at('input').value = microphone.deviceId;
    at('trouble').hidden = true;
    enter('ready');
  } catch (failure) {
    const trouble = troubleOf(failure);
    at('trouble').hidden = false;
    at('trouble').replaceChildren(...await troubleWords(trouble));
    enter('trouble');
  }
}

async function check() {
  enter('listening');
  at('report').replaceChildren();
  const recorder = new MediaRecorder(microphone.stream, { mimeType: bestType() });
  const parts = [];
  recorder.addEventListener('dataavailable', (event) => parts.push(event.data));
  const stopped = new Promise((resolve) => { recorder.addEventListener('stop', resolve, { once: true }); });
  recorder.start();
  setTimeout(() => recorder.stop(), SECONDS * 1000);
  await stopped;
  enter('judging');
  try {
    const response = await send('POST', served('/microphone'), new Blob(parts), { 'Content-Type': 'application/octet-stream' });
    at('report').innerHTML = await response.text();
  } catch (failure) {
    at('report').textContent = say('failed');
  }
  enter('ready');
}

setInterval(() => {
  loudest = Math.max(loudest * 0.8, microphone.peak());
  showLevel(loudest);
}, 100);

at('check').addEventListener('click', check);
at('input').addEventListener('change', () => {
  microphone.remember(at('input').value);
  open(at('input').value);
});
await open();
