// The recorder of one line: what each key and button does in each state.
import { listen, stop as stopListening } from '../platform/listen.js';
import { send } from '../platform/requests.js';
import { clock, say } from '../platform/words.js';
import { resumeUploads, uploadRest } from '../record/resume-uploads.js';
import { showLevel } from '../record/level.js';
import { LiveTrace } from '../record/livetrace.js';
import { Microphone, troubleOf } from '../record/microphone.js';
import { troubleWords } from '../record/trouble.js';
import { TakeInTheMaking } from '../record/take.js';
import { LARGEST_BYTES, upload, watchFiles } from '../record/upload.js';
import { uploadState } from '../record/upload-state.js';
import { early } from './early-press.js';
import { served } from '../platform/served.js';

const QUIET_SHARE = 0.35;
const COUNT_KEY = 'count-first';

const page = document.querySelector('.recorder');
const { line, words } = page.dataset;
const longestMs = Number(page.dataset.longestMs);
const at = (id) => document.getElementById(id);
const buttons = { start: at('start'), pause: at('pause'), again: at('again'), keep: at('keep'), listen: at('listen'), redo: at('redo') };
const microphone = new Microphone();
const trace = new LiveTrace(at('live'), Number(page.dataset.expectedMs));
let take = null;
let loudest = 0;

/** Which buttons there are in each state. */
const SHOWN = {
  opening: ['start'],
  noMicrophone: [],
  ready: ['start'],
  counting: ['again'],
  recording: ['start', 'pause', 'again'],
  paused: ['start', 'pause', 'again'],
  saving: [],
  verdict: ['keep', 'listen', 'redo'],
  refused: ['redo'],
  kept: ['listen', 'redo'],
};

function enter(state, announcement = say(`state.${state}`)) {
  page.dataset.state = state;
  Object.entries(buttons).forEach(([name, button]) => { button.hidden = !SHOWN[state].includes(name); });
  buttons.start.disabled = state === 'opening';
  buttons.start.querySelector('span').textContent = say(state === 'recording' || state === 'paused' ? 'stop' : 'start');
  buttons.pause.querySelector('span').textContent = say(state === 'paused' ? 'goOn' : 'pause');
  at('phase').textContent = say(`phase.${state}`);
  at('announce').textContent = announcement;
}

const is = (...states) => states.includes(page.dataset.state);

// ---- the microphone

async function openMicrophone(deviceId) {
  enter('opening');
  try {
    await microphone.open(deviceId);
    await fillInputs();
    at('trouble').hidden = true;
    at('microphone').hidden = false;
    enter('ready');
  } catch (failure) {
    const trouble = troubleOf(failure);
    enter('noMicrophone');
    at('microphone').hidden = true;
    at('trouble').hidden = false;
    at('trouble').replaceChildren(...await troubleWords(trouble, 'trouble.nothingLost'), tryAgain());
  }
}

function tryAgain() {
  const button = document.createElement('button');
  button.className = 'btn';
  button.textContent = say('tryAgain');
  button.addEventListener('click', () => openMicrophone());
  return button;
}

async function fillInputs() {
  const inputs = await microphone.inputs();
  at('input').replaceChildren(...inputs.map((input, i) => new Option(input.label || say('inputNumber', { n: i + 1 }), input.deviceId)));
  at('input').value = microphone.deviceId;
}

at('input').addEventListener('change', () => {
  microphone.remember(at('input').value);
  openMicrophone(at('input').value);
});
navigator.mediaDevices?.addEventListener('devicechange', () => (microphone.stream ? fillInputs() : openMicrophone()));

// ---- the level, the clock and the trace, ten times a second

setInterval(() => {
  const peak = microphone.peak();
  loudest = Math.max(loudest * 0.8, peak);
  const { share, loud } = showLevel(loudest);
  at('level-words').textContent = microphone.stream ? say(loud ? 'loud' : share < QUIET_SHARE ? 'quiet' : 'good') : '';
  if (is('recording')) {
    trace.add(take.elapsedMs, peak);
    at('elapsed').textContent = clock(take.elapsedMs);
    at('left').textContent = say('left', { time: clock(longestMs - take.elapsedMs + 999) });
    if (take.elapsedMs >= longestMs) {
      finish();
    }
  }
}, 100);

// ---- recording

const showUpload = uploadState(at('courier'));

async function countDown() {
  enter('counting');
  at('countdown').hidden = false;
  for (let n = 3; n > 0 && is('counting'); n--) {
    at('countdown').textContent = n;
    await new Promise((resolve) => { setTimeout(resolve, 700); });
  }
  at('countdown').hidden = true;
  return is('counting');
}

async function begin() {
  stopListening();
  at('verdict').replaceChildren();
  trace.clear();
  at('elapsed').textContent = '';
  at('left').textContent = '';
  if (!microphone.stream) {
    return;
  }
  if (at('count-first').checked && !(await countDown())) {
    return;
  }
  take = new TakeInTheMaking(line, words, microphone.stream, showUpload);
  await take.start();
  enter('recording');
  take.recorder.addEventListener('stop', () => { if (is('recording', 'paused')) finish(); });
}

async function finish() {
  if (!is('recording', 'paused')) {
    return;
  }
  enter('saving');
  await judged(() => take.finish());
}

async function judged(work) {
  try {
    const html = await work();
    showVerdict(html);
  } catch (failure) {
    enter('refused', say('serverTrouble'));
  }
}

function showVerdict(html) {
  at('verdict').innerHTML = html;
  htmx.process(at('verdict'));
  at('progress').hidden = true;
  const kind = at('verdict').querySelector('[data-verdict]')?.dataset.verdict;
  enter(kind === 'take' ? 'verdict' : kind === 'kept' ? 'kept' : 'refused');
  refreshTakes();
}

function refreshTakes() {
  htmx.ajax('GET', served(`/lines/${line}/takes`), { target: '#takes', swap: 'innerHTML' });
}

async function throwAway() {
  if (is('counting')) {
    enter('ready');
    return;
  }
  enter('saving', say('thrownAway'));
  await take.throwAway();
  await begin();
}

async function keep(id) {
  await judged(async () => (await send('POST', served(`/takes/${id}/keep`))).text());
}

const ownTake = () => at('verdict').querySelector('[data-take]')?.dataset.take;

async function startOrStop() {
  if (is('opening')) {
    // Pressed before the microphone was there: it begins as soon as it is.
    early.pressed = true;
    at('announce').textContent = say('soon');
  } else if (is('ready')) {
    await begin();
  } else if (is('recording', 'paused')) {
    await finish();
  }
}

buttons.start.addEventListener('click', startOrStop);
buttons.pause.addEventListener('click', () => {
  if (is('recording')) {
    take.pause();
    enter('paused');
  } else {
    take.goOn();
    enter('recording');
  }
});
buttons.again.addEventListener('click', throwAway);
buttons.keep.addEventListener('click', () => keep(ownTake()));
buttons.listen.addEventListener('click', () => {
  const heard = at('verdict').querySelector('[data-listen]') ?? at('takes').querySelector('[data-listen]');
  if (heard) {
    listen(heard);
  }
});
buttons.redo.addEventListener('click', begin);
at('takes').addEventListener('click', (event) => {
  const id = event.target.closest('[data-keep]')?.dataset.keep;
  if (id) {
    keep(id);
  }
});
at('verdict').addEventListener('click', (event) => {
  if (event.target.id === 'take-whole') {
    const { recording } = at('verdict').querySelector('[data-recording]').dataset;
    enter('saving');
    judged(async () => (await send('POST', served(`/recordings/${recording}/take-whole`))).text());
  }
});

// Space starts and stops wherever the focus is, except in a field or on another button, which it presses.
document.addEventListener('keydown', (event) => {
  if (event.key === ' ' && !event.target.closest('button, a, input, select, textarea') && !event.repeat) {
    event.preventDefault();
    startOrStop();
  }
});

at('count-first').checked = localStorage.getItem(COUNT_KEY) === 'yes';
at('count-first').addEventListener('change', () => localStorage.setItem(COUNT_KEY, at('count-first').checked ? 'yes' : 'no'));

// ---- a file

watchFiles(at('file'), at('drop'), async ([file]) => {
  if (is('recording', 'paused', 'counting', 'saving')) {
    at('announce').textContent = say('busyRecording');
    return;
  }
  if (file.size > LARGEST_BYTES) {
    enter('refused', say('fileTooLarge', { name: file.name }));
    return;
  }
  trace.clear();
  at('verdict').replaceChildren();
  enter('saving', say('sending', { name: file.name }));
  const [bar, text] = at('progress').children;
  at('progress').hidden = false;
  await judged(() => upload(file, line, (share) => {
    bar.value = share;
    text.textContent = say(share < 1 ? 'sent' : 'working', { percent: Math.floor(share * 100) });
  }));
  at('progress').hidden = true;
});

// ---- on entering: a recording to finish, or a fresh start

if (!page.dataset.finish) {
  // What this page had recorded of the line when it was closed or loaded again.
  resumeUploads();
}
await openMicrophone();
if (early.pressed && is('ready') && !page.dataset.finish) {
  begin();
}
if (page.dataset.finish) {
  enter('saving', say('finishing'));
  await judged(async () => {
    await uploadRest(page.dataset.finish);
    return (await send('POST', served(`/recordings/${page.dataset.finish}/end`))).text();
  });
}
