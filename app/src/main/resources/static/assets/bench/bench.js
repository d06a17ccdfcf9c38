// The sound bench: keys, pointer, and the edits, which the server keeps.
import { Answer, send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { optimisticEdit } from './optimistic-edit.js';
import { Playback } from './playback.js';
import { Wave } from './wave.js';
import { served } from '../platform/served.js';

const PAUSE_MS = 300;
const STEP_MS = 10;
const FAR_MS = 250;
const POLL_MS = 400;
const FAR_POLL_MS = 3000;

const page = document.querySelector('.bench');
const take = served(`/takes/${page.dataset.take}`);
const at = (id) => document.getElementById(id);
const playback = new Playback();
let wave = null;
let bench = null;
let cursor = 0;
let selection = null;
let busy = Promise.resolve();
// The same stretch can be heard as it was before its noise was reduced.
let before = false;
// How often something began to be heard.
let heard = 0;

const source = () => `${take}/${bench.quieter && !before ? 'quieter' : 'original'}.flac`;
const kept = () => bench.pieces.filter((piece) => piece.endMs > 0);
const ends = () => ({ start: kept()[0].startMs, end: kept()[kept().length - 1].endMs });
const seconds = (ms) => (ms / 1000).toFixed(1);

// ---- showing

function draw() {
  wave.draw({ pieces: bench.pieces, cursor, selection, say });
  const { start, end } = ends();
  [['start-handle', start], ['end-handle', end]].forEach(([id, ms]) => {
    at(id).style.left = `${wave.x(ms)}px`;
    at(id).setAttribute('aria-valuenow', ms);
    at(id).setAttribute('aria-valuemax', wave.wholeMs);
    at(id).setAttribute('aria-valuetext', `${seconds(ms)} s`);
  });
}

function listEdits() {
  at('edits').replaceChildren(...bench.edits.map((edit, i) => {
    const item = document.createElement('li');
    item.classList.toggle('undone', i >= bench.made);
    const what = document.createElement('span');
    what.textContent = say(`edit.${edit.kind}${edit.kind === 'QUIETER' && !edit.on ? '.off' : ''}`);
    const much = document.createElement('span');
    much.textContent = {
      SPLIT: `${seconds(edit.endMs)} s`,
      ENDS: `${seconds(edit.startMs)} – ${seconds(edit.endMs)} s`,
      CUT: `${seconds(edit.endMs - edit.startMs)} s`,
      PAUSE: `${seconds(edit.endMs)} s`,
      GAIN: `${edit.db > 0 ? '+' : ''}${edit.db} dB`,
    }[edit.kind] ?? '';
    item.append(what, much);
    return item;
  }).reverse());
  const first = document.createElement('li');
  first.className = 'first';
  first.textContent = say('asSpoken', { seconds: seconds(wave.wholeMs) });
  at('edits').append(first);
}

function show(state) {
  bench = state;
  at('bench-note').textContent = '';
  at('lengths').textContent = say('lengths', { now: seconds(bench.durationMs), whole: seconds(wave.wholeMs) });
  at('bench-state').textContent = say(bench.rendered ? 'saved' : 'rendering');
  at('bench-state').classList.remove('trouble');
  const act = (name) => document.querySelector(`[data-do="${name}"]`);
  act('undo').disabled = bench.made === 0;
  act('redo').disabled = !bench.canRedo;
  act('quieter').setAttribute('aria-pressed', bench.quieter);
  before &&= bench.quieter;
  act('before').hidden = !bench.quieter;
  act('before').setAttribute('aria-pressed', before);
  page.dataset.made = bench.made;
  page.dataset.rendered = bench.rendered;
  listEdits();
  draw();
  if (!bench.rendered) {
    setTimeout(look, POLL_MS);
  }
}

/** What the sound check finds now, and what noise reduction does. */
const checkAgain = () => htmx.ajax('GET', `${take}/bench/check`, { target: '#check', swap: 'innerHTML' });

async function look() {
  const { made } = bench;
  const state = await send('GET', `${take}/edits`).then((response) => response.json()).catch(() => null);
  if (!state) {
    setTimeout(look, FAR_POLL_MS);
    return;
  }
  if (made !== bench.made) {
    return;
  }
  if (state.rendered) {
    checkAgain();
  }
  show(state);
}

function trouble(words) {
  at('bench-state').textContent = words;
  at('bench-state').classList.add('trouble');
}

// ---- editing

/** One after another; what was heard goes on from the cursor as it sounds now. */
function change(address, edit) {
  busy = busy.then(async () => {
    const again = playback.isPlaying;
    const soon = again && optimisticEdit(bench, edit);
    const was = bench;
    if (soon) {
      bench = soon;
      selection = null;
      play();
    }
    try {
      const body = edit && JSON.stringify({ startMs: 0, endMs: 0, db: 0, on: false, ...edit });
      const response = await send('POST', address, body, body ? { 'Content-Type': 'application/json' } : {});
      selection = null;
      show(await response.json());
      if (again && !soon) {
        play();
      }
    } catch (failure) {
      bench = was;
      if (failure instanceof Answer && failure.status === 422) {
        trouble((await failure.response.json()).why);
      } else {
        tellOf(failure);
      }
      draw();
    }
  });
  return busy;
}

const add = (edit) => change(`${take}/edits`, edit);

const DEEDS = {
  cut: () => (selection ? add({ kind: 'CUT', startMs: selection.start, endMs: selection.end }) : trouble(say('selectFirst'))),
  split: async () => {
    const made = bench.made;
    await change(`${take}/edits/split?atMs=${cursor}`);
    if (bench.made !== made) {
      at('bench-note').textContent = say('split');
    }
  },
  pause: () => {
    const there = bench.edits.slice(0, bench.made).filter((edit) => edit.kind === 'PAUSE' && edit.startMs === cursor).pop();
    add({ kind: 'PAUSE', startMs: cursor, endMs: PAUSE_MS + (there?.endMs ?? 0) });
  },
  shorten: () => change(`${take}/edits/shorten?atMs=${cursor}`),
  before: () => {
    before = !before;
    show(bench);
    play();
  },
  louder: () => add({ kind: 'GAIN', db: Math.min(12, bench.gainDb + 1) }),
  softer: () => add({ kind: 'GAIN', db: Math.max(-12, bench.gainDb - 1) }),
  quieter: () => add({ kind: 'QUIETER', on: !bench.quieter }),
  undo: () => change(`${take}/edits/undo`),
  redo: () => change(`${take}/edits/redo`),
};

function setEnds(start, end) {
  if (end - start >= 50) {
    add({ kind: 'ENDS', startMs: Math.round(start), endMs: Math.round(end) });
  }
}

// ---- hearing

/** The pieces from the cursor, or within the selection. */
function pieces() {
  const from = selection?.start ?? cursor;
  const to = selection?.end ?? Infinity;
  const after = bench.pieces.map((piece) => (piece.pauseMs ? piece : { ...piece, startMs: Math.max(piece.startMs, from), endMs: Math.min(piece.endMs, to) }))
    .filter((piece) => piece.pauseMs || piece.endMs > piece.startMs);
  const first = after.findIndex((piece) => !piece.pauseMs);
  return first < 0 ? [] : after.slice(first);
}

function follow() {
  if (playback.isHeard) {
    cursor = Math.round(playback.originalMs);
    wave.show(cursor);
    draw();
    requestAnimationFrame(follow);
  }
}

async function play() {
  let list = pieces();
  if (list.length === 0) {
    cursor = ends().start;
    list = pieces();
  }
  const back = selection?.start ?? cursor;
  try {
    at('play').setAttribute('aria-pressed', 'true');
    const began = await playback.play(source(), list, Number(page.dataset.gainDb) + bench.gainDb, () => {
      at('play').setAttribute('aria-pressed', 'false');
      cursor = back;
      draw();
    });
    if (began) {
      page.dataset.heard = ++heard;
      follow();
    }
  } catch (failure) {
    at('play').setAttribute('aria-pressed', playback.isPlaying);
    trouble(say('notHeard'));
  }
}

function playOrStop() {
  if (playback.isPlaying) {
    playback.stop();
    at('play').setAttribute('aria-pressed', 'false');
    draw();
  } else {
    play();
  }
}

// ---- keys and pointer

function moveCursor(by, selecting) {
  const to = Math.max(0, Math.min(wave.wholeMs, cursor + by));
  if (selecting) {
    const anchor = selection ? (selection.start === cursor ? selection.end : selection.start) : cursor;
    selection = { start: Math.min(anchor, to), end: Math.max(anchor, to) };
  } else {
    selection = null;
  }
  cursor = to;
  wave.show(cursor);
  draw();
  goOnThere();
}

/** What is heard goes on where the cursor was put. */
function goOnThere() {
  if (playback.isPlaying) {
    play();
  }
}

function watchKeys() {
  document.addEventListener('keydown', (event) => {
    if (event.target.closest('input, select, textarea') || event.altKey || event.metaKey) {
      return;
    }
    const handle = event.target.closest('.end-handle');
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by && handle) {
      const { start, end } = ends();
      setEnds(...(handle.id === 'start-handle' ? [start + by * STEP_MS, end] : [start, end + by * STEP_MS]));
    } else if (by) {
      moveCursor(by * (event.ctrlKey ? FAR_MS : STEP_MS), event.shiftKey);
    } else if (event.ctrlKey) {
      return;
    } else if (event.key === ' ' && !event.target.closest('a')) {
      playOrStop();
    } else if (event.key === '[' || event.key === ']') {
      const { start, end } = ends();
      setEnds(...(event.key === '[' ? [cursor, end] : [start, cursor]));
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      wave.zoom(event.key === 'ArrowUp' ? 1.5 : 1 / 1.5, cursor);
      draw();
    } else if (event.key === 'Home' || event.key === 'End') {
      moveCursor((event.key === 'Home' ? ends().start : ends().end) - cursor, event.shiftKey);
    } else {
      return;
    }
    event.preventDefault();
  });
}

function watchPointer() {
  const roll = at('roll');
  const place = (event) => wave.ms(event.clientX - at('wave').getBoundingClientRect().left);
  at('wave').addEventListener('pointerdown', (event) => {
    at('wave').setPointerCapture(event.pointerId);
    const anchor = place(event);
    cursor = anchor;
    selection = null;
    draw();
    const move = (moved) => {
      const now = place(moved);
      selection = Math.abs(wave.x(now) - wave.x(anchor)) < 4 ? null : { start: Math.min(anchor, now), end: Math.max(anchor, now) };
      cursor = selection?.start ?? anchor;
      draw();
    };
    at('wave').addEventListener('pointermove', move);
    at('wave').addEventListener('pointerup', () => {
      at('wave').removeEventListener('pointermove', move);
      goOnThere();
    }, { once: true });
  });
  roll.addEventListener('wheel', (event) => {
    event.preventDefault();
    if (event.ctrlKey) {
      wave.zoom(event.deltaY < 0 ? 1.2 : 1 / 1.2, place(event));
    } else {
      wave.scrollTo(wave.from + ((event.deltaX + event.deltaY) / wave.width) * wave.span);
    }
    draw();
  }, { passive: false });
  ['start-handle', 'end-handle'].forEach((id) => {
    const handle = at(id);
    handle.addEventListener('pointerdown', (event) => {
      handle.setPointerCapture(event.pointerId);
      const move = (moved) => { handle.style.left = `${wave.x(place(moved))}px`; };
      handle.addEventListener('pointermove', move);
      handle.addEventListener('pointerup', (up) => {
        handle.removeEventListener('pointermove', move);
        const { start, end } = ends();
        setEnds(...(id === 'start-handle' ? [place(up), end] : [start, place(up)]));
      }, { once: true });
    });
  });
}

async function open() {
  const [magnitudes, state] = await Promise.all([
    send('GET', `${take}/wave`).then((response) => response.arrayBuffer()),
    send('GET', `${take}/edits`).then((response) => response.json()),
  ]);
  wave = new Wave(at('wave'), new Uint8Array(magnitudes), Number(page.dataset.waveMs));
  bench = state;
  cursor = ends().start;
  show(state);
  watchKeys();
  watchPointer();
  at('play').addEventListener('click', playOrStop);
  document.querySelectorAll('[data-do]').forEach((button) => button.addEventListener('click', () => DEEDS[button.dataset.do]()));
  new ResizeObserver(draw).observe(at('roll'));
  page.dataset.state = 'open';
  playback.load(source()).catch(() => {});
  if (bench.quieter) {
    checkAgain();
  }
}

open().catch(tellOf);
