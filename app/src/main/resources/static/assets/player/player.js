// The student's page: one sound at a time, the big mark plays and pauses the line that is current.
import { say } from '../house/words.js';

const SPEEDS = [1, 0.75, 1.25];
const RING = 132;
const BACK_SECONDS = 5;

const spots = [...document.querySelectorAll('.spot')];
const at = (id) => document.getElementById(id);
const play = at('play');
const seek = at('seek');
const audio = new Audio();
audio.preload = 'auto';
audio.preservesPitch = true;
let speed = 0;
let dragging = false;

const HELD = 'M19 17 v14 M29 17 v14';

function svg(tag, attributes) {
  const element = document.createElementNS('http://www.w3.org/2000/svg', tag);
  Object.entries(attributes).forEach(([name, value]) => element.setAttribute(name, value));
  return element;
}

/** The length in seconds; the server knows it before the sound has come. */
const lengthOf = () => (Number.isFinite(audio.duration) && audio.duration) || Number(current().dataset.ms) / 1000;

const currentOnes = () => spots.filter((spot) => spot.parentElement.classList.contains('current'));
const current = () => currentOnes()[0];

function choose(spot) {
  spots.forEach((each) => each.parentElement.classList.toggle('current', each.dataset.line === spot.dataset.line));
  at('current').textContent = spot.parentElement.querySelector('.words').textContent;
  audio.src = spot.dataset.sound;
  audio.playbackRate = SPEEDS[speed];
  drawTrace(spot);
  show();
}

function drawTrace(spot) {
  const d = spot.dataset.trace;
  at('seek-trace').querySelectorAll('path, clipPath').forEach((old) => old.remove());
  at('seek-trace').append(svg('path', { class: 'ink', d }));
  const clip = svg('clipPath', { id: 'heard' });
  clip.append(svg('rect', { x: 0, y: 0, width: 0, height: 40 }));
  at('seek-trace').append(clip, svg('path', { class: 'heard', d, 'clip-path': 'url(#heard)' }));
}

function ring(mark, share) {
  mark.querySelector('.left').setAttribute('stroke-dasharray', `${RING * share} ${RING}`);
}

function show() {
  const length = lengthOf();
  const share = Math.min(1, audio.currentTime / length);
  const left = Math.max(0, Math.ceil((length - audio.currentTime) / audio.playbackRate - 0.05));
  spots.forEach((spot) => ring(spot, 1));
  ring(play, 1 - share);
  currentOnes().forEach((spot) => ring(spot, 1 - share));
  at('left').textContent = left;
  at('seek-trace').querySelector('rect').setAttribute('width', 640 * share);
  if (!dragging) {
    seek.value = Math.round(share * 1000);
    seek.setAttribute('aria-valuetext', say('secondsLeft', { n: left }));
  }
}

function showPlaying() {
  const playing = !audio.paused;
  play.setAttribute('aria-pressed', playing);
  play.setAttribute('aria-label', say(playing ? 'pause' : 'play'));
  const mark = play.querySelector('.ring-mark');
  mark.querySelector('.held')?.remove();
  if (playing) {
    mark.append(svg('path', { class: 'held', d: HELD }));
    requestAnimationFrame(follow);
  }
  show();
}

function follow() {
  show();
  if (!audio.paused) {
    requestAnimationFrame(follow);
  }
}

async function start() {
  at('trouble').textContent = '';
  try {
    await audio.play();
  } catch (failure) {
    if (failure.name !== 'AbortError') {
      at('trouble').textContent = say('trouble');
    }
  }
}

function toggle() {
  if (audio.paused) {
    start();
  } else {
    audio.pause();
  }
}

function again() {
  audio.currentTime = 0;
  start();
}

function back() {
  audio.currentTime = Math.max(0, audio.currentTime - BACK_SECONDS);
}

function changeSpeed() {
  speed = (speed + 1) % SPEEDS.length;
  audio.defaultPlaybackRate = SPEEDS[speed];
  audio.playbackRate = SPEEDS[speed];
  at('speed-number').textContent = SPEEDS[speed];
  at('speed').setAttribute('aria-label', say(`speed.${SPEEDS[speed]}`));
  show();
}

/** The next hint, in order; after the last one, the last again. */
function hint() {
  const hints = [...at('hints').children];
  const next = hints.find((each) => each.hidden) ?? hints[hints.length - 1];
  next.hidden = false;
  const spot = next.querySelector('.spot');
  at('hints-left').textContent = hints.filter((each) => each.hidden).length;
  fetch(at('hint').dataset.asked + spot.dataset.line, { method: 'POST', keepalive: true }).catch(() => {});
  choose(spot);
  start();
}

if (play) {
  at('hint')?.addEventListener('click', hint);
  ['play', 'pause', 'ended'].forEach((event) => audio.addEventListener(event, showPlaying));
  audio.addEventListener('loadedmetadata', show);
  audio.addEventListener('seeked', show);
  play.addEventListener('click', toggle);
  at('again').addEventListener('click', again);
  at('back5').addEventListener('click', back);
  at('speed').addEventListener('click', changeSpeed);
  seek.addEventListener('input', () => {
    dragging = true;
    audio.currentTime = (seek.value / 1000) * lengthOf();
    show();
  });
  seek.addEventListener('change', () => { dragging = false; });
  spots.forEach((spot) => spot.addEventListener('click', () => {
    if (spot.dataset.line === current().dataset.line && (!audio.paused || audio.currentTime > 0)) {
      toggle();
    } else {
      choose(spot);
      start();
    }
  }));
  choose(spots[0]);
}

document.addEventListener('keydown', (event) => {
  const free = !event.target.closest('button, a, input');
  if (event.key === ' ' && free && play) {
    event.preventDefault();
    toggle();
  } else if (event.key === 'PageDown' || event.key === 'PageUp') {
    document.querySelector(`[data-turn=${event.key === 'PageDown' ? 'next' : 'back'}]`)?.click();
  }
});
