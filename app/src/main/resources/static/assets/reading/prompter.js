// The read-through: shows a line, hears it, and goes on at one key. Takes land on their lines behind the reader's back.
import { listen, stop as stopListening } from '../platform/listen.js';
import { send } from '../platform/requests.js';
import { served } from '../platform/served.js';
import { clock, say } from '../platform/words.js';
import { MicrophoneCapture, OVERLAP_MS } from '../record/microphone-capture.js';
import { showLevel } from '../record/level.js';
import { LineTake } from '../record/linetake.js';
import { LiveTrace } from '../record/livetrace.js';
import { troubleOf } from '../record/microphone.js';
import { troubleWords } from '../record/trouble.js';
import { pendingBytes, watchPending } from '../record/pending.js';
import { pendingWords, uploadState } from '../record/upload-state.js';
import { early } from './early-press.js';
import { AtComputer, AtPhone } from './phone.js';

const HANDS_FREE_KEY = 'hands-free';
const PAUSE_KEY = 'hands-free-pause';

/** Some seconds of sound as it is. */
const SLOW_BYTES = 300_000;

/** Whoever speaks for so long while nothing records has forgotten to start. */
const FORGOTTEN_MS = 1_500;

const page = document.querySelector('.prompter');
const lines = [...document.querySelectorAll('#lines-to-read li')].map((item) => ({ ...item.dataset, words: item.textContent }));
const longestMs = Number(page.dataset.longestMs);
const through = page.dataset.phone ? served(`/phone/${page.dataset.phone}`) : '';
const at = (id) => document.getElementById(id);
const marks = [...document.querySelectorAll('.reading-head .marks i')];
// A long script has one bar in place of its marks.
const bar = document.querySelector('.reading-head .bar-of-lines i');
const ear = new MicrophoneCapture();
const landing = new Set();
/** Called when the read-through is over. */
let over = () => {};
let index = 0;
let take = null;
let landed = 0;
let Encoder = null;
let choosing = false;
let trace = new LiveTrace(at('live'), 4000);
let handsFree = localStorage.getItem(HANDS_FREE_KEY) === 'yes';
let startedAt = 0;
let readingMs = 0;
// Who else takes part: the phone that is the microphone, or on the phone, the computer that shows the lines.
const other = page.dataset.phone
  ? new AtPhone(page, { press, finish: () => (index || take ? finish() : enter('ended')) })
  : new AtComputer(page, { lines, follow, takeBack: open, showSummary, close: () => ear.close() });

const is = (...states) => states.includes(page.dataset.state);

function enter(state) {
  page.dataset.state = state;
  if (state === 'ended') {
    over();
  }
  at('not-recording').hidden = true;
  if (is('ready', 'paused')) {
    ear.spokenMs = 0;
  }
  at('phase').textContent = say(`phase.${state}`);
  at('announce').textContent = say(`state.${state}`);
  at('start').hidden = !is('ready', 'paused');
  ['next', 'again', 'pause'].forEach((id) => { at(id).hidden = !is('reading'); });
  other.tell({ state, index });
}

function expectedLeftMs() {
  return lines.slice(index).reduce((sum, line) => sum + Number(line.expectedMs), 0);
}

function show() {
  const line = lines[index];
  at('where').textContent = say('where', { n: index + 1, all: lines.length });
  at('time-left').textContent = say('timeLeft', { time: clock(expectedLeftMs() + 999) });
  at('before').textContent = lines[index - 1]?.words ?? '';
  at('now').textContent = line.words;
  at('now').dataset.label = line.label ?? '';
  at('now').classList.toggle('long', line.words.length > 140);
  at('after').textContent = lines[index + 1]?.words ?? '';
  at('after-next').textContent = lines[index + 2]?.words ?? '';
  at('picture').hidden = !line.picture;
  if (line.picture && at('picture').getAttribute('src') !== line.picture) {
    at('picture').src = line.picture;
  }
  at('place').textContent = line.place;
  marks.forEach((mark, i) => mark.classList.toggle('now', i === index));
  bar?.style.setProperty('width', `${(100 * index) / lines.length}%`);
  trace = new LiveTrace(at('live'), Number(line.expectedMs));
}

const showUpload = uploadState(at('courier'));

/** At the end: which lines are there, and what still has to go. */
function showLanding() {
  if (is('landing')) {
    const left = pendingBytes() > 0 ? pendingWords() : '';
    at('announce').textContent = [say('landed', { done: landed, all: index + (take ? 1 : 0) }), left || say('state.landing')].join(' · ');
  }
}

watchPending(showLanding);

// ---- reading

/** A line that doesn't keep up with what is said gets less to carry from the next take on. */
async function makeSmaller() {
  if (!Encoder && !choosing && pendingBytes() > SLOW_BYTES) {
    choosing = true;
    const { canEncode, OpusStream } = await import('../record/opus-stream.js');
    Encoder = await canEncode(ear.sampleRate) ? OpusStream : null;
  }
}

watchPending(() => makeSmaller().catch(() => {}));

function hear(before = null) {
  take = new LineTake(lines[index], ear.sampleRate, OVERLAP_MS, through, showUpload, Encoder, before);
  ear.begin(take);
}

function start() {
  stopListening();
  startedAt = performance.now();
  enter('reading');
  hear();
}

async function land(done, number) {
  const mark = marks[number] ?? document.createElement('i');
  try {
    await ear.end(done);
    const place = document.createElement('template');
    place.innerHTML = await done.finish();
    const verdict = place.content.querySelector('[data-verdict]')?.dataset.verdict;
    const doubtful = place.content.querySelector('.findings');
    mark.className = verdict !== 'take' ? 'silent' : doubtful ? 'doubtful' : 'voiced';
    other.tell({ state: page.dataset.state, index, landed: number, as: mark.className });
  } catch (failure) {
    mark.className = 'silent';
    showUpload('notLanded');
  }
  landed++;
  showLanding();
}

/** This line's take ends; the next one's has begun before the next sample comes. */
function next() {
  const ended = take;
  const work = land(ended, index);
  landing.add(work);
  work.finally(() => landing.delete(work));
  index++;
  if (index === lines.length) {
    take = null;
    finish();
    return;
  }
  hear(ended);
  show();
  other.tell({ state: 'reading', index });
}

function again() {
  ear.drop(take);
  take.throwAway();
  hear();
  show();
}

/** What was said of a line before a pause lies with its takes, though it isn't the kept one. */
async function setAside(done) {
  try {
    await ear.end(done);
    await done.finish(false);
  } catch (failure) {
    showUpload('notLanded');
  }
}

function pause() {
  landing.add(setAside(take));
  take = null;
  readingMs += performance.now() - startedAt;
  enter('paused');
  trace.clear();
}

async function finish() {
  const reached = lines.slice(0, index + (take ? 1 : 0));
  if (is('reading')) {
    readingMs += performance.now() - startedAt;
  }
  if (take) {
    // Ended in the middle of a line: what was said of it is kept like any other take.
    const work = land(take, index);
    landing.add(work);
    take = null;
  }
  enter('landing');
  await Promise.all(landing);
  ear.close();
  const read = reached.map((line) => line.id).join(',');
  if (page.dataset.phone) {
    other.finished(read, Math.round(readingMs));
    enter('ended');
  } else {
    await showSummary(read, Math.round(readingMs));
  }
}

async function showSummary(read, ms) {
  const response = await send('POST', page.dataset.summary, new URLSearchParams({ lines: read, readingMs: ms, since: page.dataset.openedAt }));
  at('summary').innerHTML = await response.text();
  htmx.process(at('summary'));
  enter('ended');
  at('summary').querySelector('a, button')?.focus();
}

/** The phone is the microphone: this page shows what it does. */
function follow({ state, index: reached, landed, as }) {
  index = Math.min(lines.length - 1, Number(reached));
  if (landed !== undefined && marks[landed]) {
    marks[landed].className = as;
  }
  show();
  enter(state);
}

// ---- keys

/** Words that are longer than the screen move on. */
const scrollWords = (by) => at('now').scrollBy({ top: by * at('now').clientHeight * 0.7 });

/** Said loudly, since what is read now is lost. */
function nothingRecords() {
  if (is('opening', 'ready', 'paused') && at('not-recording').hidden) {
    at('not-recording').hidden = false;
    at('not-recording').textContent = say(is('opening') ? 'notYet' : 'notRecording');
  }
}

const goOn = () => (is('reading') ? next() : nothingRecords());

const KEYS = {
  ' ': () => {
    if (is('ready', 'paused')) {
      start();
    } else if (is('opening')) {
      // Pressed before the microphone was there: it begins as soon as it is.
      early.pressed = true;
      at('announce').textContent = say('soon');
    }
  },
  Enter: goOn,
  ArrowRight: goOn,
  PageDown: goOn,
  ArrowLeft: () => { if (is('reading')) again(); },
  Backspace: () => { if (is('reading')) again(); },
  PageUp: () => { if (is('reading')) again(); },
  ArrowDown: () => scrollWords(1),
  ArrowUp: () => scrollWords(-1),
  p: () => { if (is('reading')) pause(); else if (is('paused')) start(); },
  h: toggleHandsFree,
  Escape: () => { if (is('reading', 'paused', 'ready')) (index || take ? finish() : leave()); else if (is('ended', 'trouble')) leave(); },
};

function press(key) {
  if (other.hasMicrophone && !is('ended')) {
    other.press(key);
  } else {
    KEYS[key]?.();
  }
}

document.addEventListener('keydown', (event) => {
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || !KEYS[key] || event.target.closest('input, select, #phone, #use-phone')) {
    return;
  }
  if (is('ended') && key !== 'Escape') {
    return;
  }
  event.preventDefault();
  press(key);
});

const leave = () => { location.href = page.dataset.script; };
Object.entries({ start: ' ', next: 'Enter', again: 'Backspace', pause: 'p', finish: 'Escape' })
  .forEach(([id, key]) => at(id).addEventListener('click', () => press(key)));

// ---- hands-free

function toggleHandsFree() {
  handsFree = !handsFree;
  localStorage.setItem(HANDS_FREE_KEY, handsFree ? 'yes' : 'no');
  showHandsFree();
}

function showHandsFree() {
  at('hands-free').setAttribute('aria-pressed', handsFree);
  at('hands-free').querySelector('span').textContent = say(handsFree ? 'handsFreeOn' : 'handsFreeOff');
  at('pause-length').parentElement.hidden = !handsFree;
}

at('hands-free').addEventListener('click', toggleHandsFree);
at('pause-length').value = localStorage.getItem(PAUSE_KEY) ?? '0.8';
at('pause-length').addEventListener('change', () => localStorage.setItem(PAUSE_KEY, at('pause-length').value));

/** Said: at least half of what the words should take was spoken, and then it was quiet for the pause. */
function saidByNow() {
  return ear.spokenMs > Number(lines[index].expectedMs) * 0.45 && ear.quietMs >= Number(at('pause-length').value) * 1000;
}

setInterval(() => {
  showLevel(ear.loudest);
  if (is('ready', 'paused') && !other.hasMicrophone && ear.spokenMs > FORGOTTEN_MS) {
    nothingRecords();
  }
  if (!is('reading') || !take) {
    return;
  }
  trace.add(take.elapsedMs, ear.loudest);
  at('elapsed').textContent = clock(take.elapsedMs);
  if (take.elapsedMs >= longestMs || (handsFree && saidByNow())) {
    next();
  }
}, 60);

// ---- the end: everything in a row

document.addEventListener('click', async (event) => {
  if (event.target.closest('#play-all')) {
    for (const button of at('summary').querySelectorAll('li > [data-listen]')) {
      await listen(button, true);
    }
  }
});

// ---- on entering

async function trouble(key) {
  enter('trouble');
  at('trouble').hidden = false;
  at('trouble').replaceChildren(...await troubleWords(key));
}

async function open() {
  showHandsFree();
  show();
  enter('opening');
  try {
    await ear.open();
    enter('ready');
    if (early.pressed && !page.dataset.phone) {
      start();
    }
  } catch (failure) {
    trouble(troubleOf(failure));
  }
}

if (lines.length && navigator.locks) {
  navigator.locks.request('read-through', { ifAvailable: true }, async (lock) => {
    if (!lock) {
      show();
      trouble('otherTab');
      return;
    }
    await open();
    // What is finished keeps no other tab waiting.
    await new Promise((done) => { over = done; });
  });
} else if (lines.length) {
  open();
}
