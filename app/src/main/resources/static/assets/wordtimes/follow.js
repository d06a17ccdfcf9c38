// When the words of a line light up: heard, moved, tapped along, and taken back.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { Rows } from './rows.js';

const at = (id) => document.getElementById(id);
const page = document.querySelector('.follow');
const address = page.dataset.line;
const audio = new Audio();
const past = [];
const future = [];
let times = { words: [], peaks: [], durationMs: 0, mended: false };
let taps = null;
let turn = Promise.resolve();

const rows = new Rows(at('rows'), (index, ms) => mend(() => send('POST', `${address}/move?index=${index}&startMs=${Math.max(0, ms)}`)), playFrom);
const said = () => times.words.filter(({ span }) => span.endMs > span.startMs);
const json = (value) => ({ body: JSON.stringify(value), headers: { 'Content-Type': 'application/json' } });

function show(fresh) {
  times = fresh;
  rows.show(times);
  at('state').textContent = times.words.length > 0 ? say(times.mended ? 'mended' : 'found') : '';
  at('undo').disabled = past.length === 0;
  at('redo').disabled = future.length === 0;
  ['play', 'tap', 'found'].forEach((id) => { at(id).disabled = times.words.length === 0; });
}

/** Makes a change that the server answers with the times as they are then; one after another, in the order of the keys. */
function change(asked) {
  const made = turn.then(() => ask(asked));
  turn = made.catch(() => {});
  return made;
}

async function ask(asked) {
  try {
    return await (await asked()).json();
  } catch (failure) {
    show(times);
    at('state').textContent = say('notSaved');
    return null;
  }
}

/** A change that can be taken back; answers whether it was made. */
async function mend(asked) {
  let before;
  const fresh = await change(() => {
    before = times.words;
    return asked();
  });
  if (fresh) {
    past.push(before);
    future.length = 0;
    show(fresh);
  }
  return fresh !== null;
}

async function step(from, to) {
  let words;
  let now;
  const fresh = await change(() => {
    words = from.pop();
    now = times.words;
    const { body, headers } = json(words ?? now);
    return send('PUT', address, body, headers);
  });
  if (words && fresh) {
    to.push(now);
  } else if (words) {
    from.push(words);
  }
  if (fresh) {
    show(fresh);
  }
}

function follow() {
  rows.at(audio.paused ? null : audio.currentTime * 1000, times.words);
  if (!audio.paused) {
    requestAnimationFrame(follow);
  }
}

function playFrom(ms) {
  audio.currentTime = ms / 1000;
  audio.play();
}

function startTapping() {
  taps = [];
  at('tapping').hidden = false;
  showNextWord();
  at('tap-now').focus();
  playFrom(0);
}

function showNextWord() {
  at('tap-now').querySelector('span').textContent = said()[taps.length]?.text ?? '';
}

async function stopTapping(keep) {
  if (!taps) {
    return;
  }
  const made = taps;
  taps = null;
  audio.pause();
  at('tapping').hidden = true;
  at('tap').focus();
  if (keep && made.length > 0) {
    const { body, headers } = json(made);
    if (await mend(() => send('POST', `${address}/taps`, body, headers))) {
      at('state').textContent = say('tapped', { n: made.length });
    }
  }
}

function tap() {
  taps.push(Math.round(audio.currentTime * 1000));
  showNextWord();
  if (taps.length === said().length) {
    stopTapping(true);
  }
}

audio.addEventListener('play', () => {
  at('play').querySelector('span').textContent = say('pause');
  follow();
});
['pause', 'ended'].forEach((event) => audio.addEventListener(event, () => { at('play').querySelector('span').textContent = say('play'); }));
audio.addEventListener('ended', () => stopTapping(true));
at('play').addEventListener('click', () => (audio.paused ? playFrom(0) : audio.pause()));
at('tap').addEventListener('click', startTapping);
at('tap-now').addEventListener('pointerdown', (event) => {
  event.preventDefault();
  tap();
});
at('tap-stop').addEventListener('click', () => stopTapping(true));
at('found').addEventListener('click', () => mend(() => send('DELETE', address)));
at('undo').addEventListener('click', () => step(past, future));
at('redo').addEventListener('click', () => step(future, past));
document.addEventListener('keydown', (event) => {
  if (!taps) {
    return;
  }
  event.preventDefault();
  event.stopPropagation();
  if (event.key === 'Escape') {
    stopTapping(false);
  } else if (!event.repeat && (event.key === ' ' || event.key === 'Enter')) {
    tap();
  }
}, true);

if (page.dataset.sound) {
  audio.src = page.dataset.sound;
  audio.preload = 'auto';
  fetch(`${address}/now`).then((response) => response.json()).then(show).catch(() => { at('state').textContent = say('notSaved'); });
} else {
  show(times);
}
