// A long recording and where its lines are: traces with boundaries that can be dragged, heard, taken.
import { send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { loudestOf, Wave } from '../bench/wave.js';
import { served } from '../platform/served.js';

/** Around a line so much of the recording is shown. */
const AROUND_MS = 900;
const STEP_MS = 10;
const FAR_MS = 100;
const SHORTEST_MS = 100;

const page = document.querySelector('.split');
const address = served(`/long-recordings/${page.dataset.recording}`);
const lengthMs = Number(page.dataset.lengthMs);
const at = (id) => document.getElementById(id);
const audio = new Audio();
let outline = null;
let loudest = 1;
let whole = null;
let playing = null;

const rows = () => [...document.querySelectorAll('.split-lines > .split-line')];
const span = (row) => ({ startMs: Number(row.dataset.startMs), endMs: Number(row.dataset.endMs) });

// ---- showing

function drawWhole(cursor = -1) {
  const placed = rows().filter((row) => row.dataset.startMs);
  whole.draw({
    pieces: placed.map(span).sort((a, b) => a.startMs - b.startMs),
    cursor,
    selection: null,
    say,
    doubts: placed.filter((row) => row.classList.contains('uncertain')).map((row) => span(row).startMs),
  });
}

/** Draws a line's stretch; while a boundary is dragged, the view stays where it is. */
function drawRow(row, cursor = -1) {
  if (!row.wave) {
    return;
  }
  const { startMs, endMs } = span(row);
  row.wave.draw({ pieces: [{ startMs, endMs }], cursor, selection: null, say });
  row.querySelectorAll('.boundary').forEach((handle) => {
    const ms = handle.dataset.end === 'start' ? startMs : endMs;
    handle.style.left = `${row.wave.x(ms)}px`;
    handle.setAttribute('aria-valuenow', ms);
    handle.setAttribute('aria-valuetext', `${(ms / 1000).toFixed(1)} s`);
  });
}

function view(row) {
  const canvas = row.querySelector('canvas');
  if (!canvas) {
    return;
  }
  const { startMs, endMs } = span(row);
  row.wave = new Wave(canvas, outline, Number(page.dataset.outlineMs), loudest);
  row.wave.span = Math.min(lengthMs, endMs - startMs + 2 * AROUND_MS);
  row.wave.scrollTo(startMs - AROUND_MS);
  drawRow(row);
  row.querySelectorAll('.boundary').forEach((handle) => watchBoundary(row, handle));
}

const inView = new IntersectionObserver((entries) => entries.filter((entry) => entry.isIntersecting && !entry.target.wave).forEach((entry) => view(entry.target)), { rootMargin: '300px' });

/** Puts rows from the server in the place of those that look otherwise. */
function replaceRows(html) {
  const fresh = new DOMParser().parseFromString(html, 'text/html').querySelectorAll('.split-line');
  fresh.forEach((row) => {
    const old = at(row.id);
    if (!old || old.outerHTML === row.outerHTML || (old.className === row.className && old.classList.contains('taken'))) {
      return;
    }
    const focused = old.contains(document.activeElement);
    old.replaceWith(row);
    htmx.process(row);
    inView.observe(row);
    if (focused) {
      row.focus();
    }
  });
  drawWhole();
}

// ---- boundaries

function move(row, end, ms) {
  const { startMs, endMs } = span(row);
  if (end === 'start') {
    row.dataset.startMs = Math.round(Math.max(0, Math.min(ms, endMs - SHORTEST_MS)));
  } else {
    row.dataset.endMs = Math.round(Math.min(lengthMs, Math.max(ms, startMs + SHORTEST_MS)));
  }
  drawRow(row);
}

async function store(row, focusEnd) {
  try {
    const body = new URLSearchParams(span(row));
    const response = await send('POST', `${address}/lines/${row.dataset.line}/place`, body);
    const answer = await response.text();
    if (new URLSearchParams(span(row)).toString() !== body.toString()) {
      // It was moved on meanwhile, which is stored next: the answer to that shows it.
      return;
    }
    showAnswer(answer);
    at(row.id).querySelector(`.boundary[data-end="${focusEnd}"]`)?.focus();
  } catch (failure) {
    tellOf(failure);
  }
}

function showAnswer(html) {
  replaceRows(html);
  const answer = new DOMParser().parseFromString(html, 'text/html');
  ['found', 'dock'].forEach((id) => {
    const part = answer.getElementById(id);
    if (part) {
      at(id).innerHTML = part.innerHTML;
      htmx.process(at(id));
    }
  });
}

function watchBoundary(row, handle) {
  const { end } = handle.dataset;
  let late = 0;
  handle.addEventListener('pointerdown', (event) => {
    handle.setPointerCapture(event.pointerId);
    const left = row.querySelector('canvas').getBoundingClientRect().left;
    const drag = (moved) => move(row, end, row.wave.ms(moved.clientX - left));
    handle.addEventListener('pointermove', drag);
    handle.addEventListener('pointerup', () => {
      handle.removeEventListener('pointermove', drag);
      store(row, end);
    }, { once: true });
  });
  handle.addEventListener('keydown', (event) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by) {
      event.preventDefault();
      move(row, end, span(row)[`${end}Ms`] + by * (event.ctrlKey ? FAR_MS : STEP_MS));
      clearTimeout(late);
      late = setTimeout(() => store(row, end), 400);
    }
  });
}

// ---- hearing

function stop() {
  audio.pause();
  if (playing) {
    playing.button.setAttribute('aria-pressed', 'false');
    if (playing.row) {
      drawRow(at(playing.row.id) ?? playing.row);
    }
    playing = null;
    drawWhole();
  }
}

function follow() {
  if (!playing) {
    return;
  }
  const ms = audio.currentTime * 1000;
  if (ms >= playing.endMs || audio.ended) {
    stop();
    return;
  }
  if (playing.row) {
    drawRow(playing.row, ms);
  }
  drawWhole(ms);
  requestAnimationFrame(follow);
}

async function hear(button, row, startMs, endMs) {
  const again = playing?.button === button;
  stop();
  if (again) {
    return;
  }
  playing = { button, row, endMs };
  button.setAttribute('aria-pressed', 'true');
  try {
    audio.currentTime = startMs / 1000;
    await audio.play();
    follow();
  } catch (interrupted) {
    stop();
  }
}

// ---- keys and clicks

const take = (lines) => send('POST', `${address}/take`, new URLSearchParams(lines.map((line) => ['line', line])))
  .then((response) => response.text()).then(showAnswer).catch(tellOf);

const linesWhere = (wanted) => rows().filter((row) => row.querySelector('.take') && wanted(row)).map((row) => row.dataset.line);

function pressed(event) {
  const button = event.target.closest('button');
  const row = event.target.closest('.split-line');
  if (button?.classList.contains('hear')) {
    hear(button, row, span(row).startMs, span(row).endMs);
  } else if (button?.classList.contains('place')) {
    hear(button, null, Number(button.dataset.startMs), Number(button.dataset.endMs));
  } else if (button?.id === 'take-all') {
    take(linesWhere(() => true));
  } else if (button?.id === 'take-certain') {
    take(linesWhere((each) => !each.classList.contains('uncertain')));
  }
}

function key(event) {
  const row = event.target.closest('.split-line');
  if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest('.boundary')) {
    return;
  }
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
  const press = { ' ': '.hear', t: '.take', x: '.leave' }[event.key];
  if (by) {
    const all = rows();
    const next = row ? all[all.indexOf(row) + by] : all[0];
    next?.focus();
    event.preventDefault();
  } else if (press && row && (event.key !== ' ' || !event.target.closest('button, a'))) {
    row.querySelector(press)?.click();
    event.preventDefault();
  }
}

function toLine(event) {
  const ms = whole.ms(event.clientX - at('whole').getBoundingClientRect().left);
  const near = rows().filter((row) => row.dataset.startMs).find((row) => span(row).endMs >= ms);
  near?.scrollIntoView({ block: 'center' });
  near?.focus({ preventScroll: true });
}

async function open() {
  outline = new Uint8Array(await (await send('GET', `${address}/outline`)).arrayBuffer());
  loudest = loudestOf(outline);
  audio.src = `${address}/sound.flac`;
  whole = new Wave(at('whole'), outline, Number(page.dataset.outlineMs), loudest);
  drawWhole();
  rows().forEach((row) => inView.observe(row));
  document.addEventListener('click', pressed);
  document.addEventListener('keydown', key);
  at('whole').addEventListener('click', toLine);
  document.addEventListener('htmx:afterRequest', (event) => {
    if (event.detail.successful) {
      replaceRows(event.detail.xhr.responseText);
    }
  });
  new ResizeObserver(() => {
    drawWhole();
    rows().forEach((row) => drawRow(row));
  }).observe(at('whole'));
  page.dataset.state = 'open';
}

open().catch(tellOf);
