// The listening desk: the queue, from answer to answer; the next one is fetched before it is asked for.
import { stop as hush } from '../platform/listen.js';
import { send } from '../platform/requests.js';
import { served } from '../platform/served.js';
import { say } from '../platform/words.js';
import { Hearing } from './hearing.js';
import { bindMarking } from './marking.js';
import { bindRemarks, finishLeftRemarks } from './remarks.js';

const at = (id) => document.getElementById(id);
const room = document.querySelector('.listening');
const stops = [...document.querySelectorAll('.to-stop')];
const hearing = new Hearing();
const FRESH_MS = 15_000;
const fetched = new Map();
let here = -1;
let remarks = null;

/** Where an answer is: answers to several lessons may stand in one queue. */
const addressOf = ({ dataset }) => `${dataset.desk}/${dataset.student}/${dataset.question}`;

/** An answer as HTML; asked for once. */
function answerOf(stop) {
  const key = addressOf(stop);
  const known = fetched.get(key);
  if (known && performance.now() - known.at < FRESH_MS) {
    return known.html;
  }
  const html = fetch(key).then((response) => {
    if (!response.ok || response.redirected) {
      throw Object.assign(new Error(`answered ${response.status}`), { gone: response.status === 404 });
    }
    return response.text();
  });
  html.catch(() => fetched.delete(key));
  fetched.set(key, { at: performance.now(), html });
  return html;
}

/** What sounds of an answer: what was said in it, and what the child said back since. */
function piecesOf(pane) {
  const replies = [...pane.querySelectorAll('.by-child.is-new .other-piece')].map(({ dataset }) => ({
    src: dataset.listen, seconds: Number(dataset.ms) / 1000, skips: [],
  }));
  return [...pane.querySelectorAll('.piece')].map((button) => ({
    src: button.dataset.src,
    seconds: Number(button.dataset.ms) / 1000,
    skips: (button.dataset.skips ?? '').split(' ').filter(Boolean).map((span) => span.split('-').map((ms) => Number(ms) / 1000)),
    recording: button.dataset.recording,
    show: (share) => ['x1', 'x2'].forEach((x) => button.querySelector('.played').setAttribute(x, share * 320)),
  })).concat(replies);
}

async function prepare(stop) {
  if (!stop) {
    return;
  }
  const html = await answerOf(stop).catch(() => null);
  if (html) {
    const page = new DOMParser().parseFromString(html, 'text/html');
    hearing.prepare(page.querySelector('.piece')?.dataset.src);
  }
}

async function sayName(article) {
  const name = article.dataset.name;
  if (!at('names').checked || !name) {
    return;
  }
  const sound = new Audio(name);
  await sound.play().catch(() => {});
  await new Promise((done) => {
    ['ended', 'error', 'pause'].forEach((event) => sound.addEventListener(event, done, { once: true }));
    setTimeout(done, 4000);
  });
}

async function show(index, sounds = true) {
  const stop = stops[index];
  if (!stop) {
    at('desk-state').textContent = say('end');
    at('other-lessons')?.querySelector('a').focus();
    return;
  }
  here = index;
  hearing.stop();
  hush();
  stops.forEach((each) => each.removeAttribute('aria-current'));
  stop.setAttribute('aria-current', 'true');
  stop.scrollIntoView({ block: 'nearest' });
  const pane = at('stop');
  // A key that comes before the answer is there must not mark the one before it.
  pane.replaceChildren();
  let html;
  try {
    html = await answerOf(stop);
  } catch (failure) {
    if (here !== index) {
      return;
    }
    at('desk-state').textContent = say(failure.gone ? 'gone' : 'notReached');
    stop.disabled = failure.gone;
    return;
  }
  if (here !== index) {
    return;
  }
  pane.innerHTML = html;
  at('desk-state').textContent = say('of', { n: index + 1, all: stops.length });
  fetched.delete(addressOf(stop));
  if (pane.querySelector('.by-child.is-new')) {
    send('POST', `${addressOf(stop)}/replies/met`).catch(() => {});
  }
  const pieces = piecesOf(pane);
  hearing.load(pieces);
  // What can't be done now isn't shown: nothing sounds of what was written or drawn.
  ['play', 'back', 'again', 'speed', 'shorten'].forEach((each) => { at(each).disabled = pieces.length === 0; });
  at('before').disabled = index === 0;
  pane.dispatchEvent(new CustomEvent('stop-shown', { bubbles: true }));
  prepare(stops[index + 1]);
  if (sounds) {
    await sayName(pane.firstElementChild);
    if (here === index) {
      hearing.again();
    }
  }
}

const next = () => show(here + 1);

/** The answer that is open is fetched anew, as it is by now. */
const renew = () => {
  fetched.delete(addressOf(stops[here]));
  return show(here, false);
};

stops.forEach((stop, index) => stop.addEventListener('click', () => show(index)));
at('next')?.addEventListener('click', next);
at('before')?.addEventListener('click', () => show(Math.max(0, here - 1)));
at('play')?.addEventListener('click', () => hearing.toggle());
at('again')?.addEventListener('click', () => hearing.again());
at('back')?.addEventListener('click', () => hearing.back());
document.addEventListener('click', ({ target }) => {
  const piece = target.closest?.('#stop .piece');
  const other = target.closest?.('.other-piece');
  if (piece) {
    hearing.again([...document.querySelectorAll('#stop .piece')].indexOf(piece));
  } else if (other) {
    hearing.stop();
  } else if (target.closest?.('.compare')) {
    at('beside').innerHTML = at('stop').innerHTML;
    at('beside').querySelectorAll('.points, .own-note, .remarks').forEach((part) => part.remove());
    at('beside').querySelectorAll('.piece').forEach((button) => { button.dataset.listen = button.dataset.src; });
    at('beside').hidden = false;
    at('desk-state').textContent = say('besides');
  }
});

hearing.addEventListener('state', () => {
  at('play').setAttribute('aria-pressed', hearing.plays);
  at('play').firstElementChild.textContent = say(hearing.plays ? 'pause' : 'play');
});
hearing.addEventListener('damaged', () => { at('desk-state').textContent = say('damaged'); });
hearing.addEventListener('end', () => {
  if (at('onward').checked && here + 1 < stops.length) {
    next();
  }
});

// How it is heard stays as it was on this device.
const kept = (name, fallback) => localStorage.getItem(`listening-${name}`) ?? fallback;
const keep = (name, value) => localStorage.setItem(`listening-${name}`, value);

function setSpeed() {
  hearing.setRate(Number(at('speed').value));
  at('speed-now').textContent = `${at('speed').value}×`;
}

if (stops.length > 0) {
  at('speed').value = kept('speed', '1');
  setSpeed();
  at('speed').addEventListener('input', () => { setSpeed(); keep('speed', at('speed').value); });
  ['shorten', 'names', 'onward'].forEach((name) => {
    at(name).checked = kept(name, name === 'shorten' ? 'on' : 'off') === 'on';
    at(name).addEventListener('change', () => { keep(name, at(name).checked ? 'on' : 'off'); hearing.shorten = at('shorten').checked; });
  });
  hearing.shorten = at('shorten').checked;
}
if (at('stop')) {
  remarks = bindRemarks({ addressOf, hearing, current: () => stops[here], stops });
  bindMarking({ addressOf, current: () => stops[here], next, renew });
}
if (stops.length > 0) {
  show(0, false);
}
finishLeftRemarks(room.dataset.assignments.split(' ').map(served), (line, said) => {
  remarks?.ended(stops.find((stop) => `${stop.dataset.student}.${stop.dataset.question}` === line), said);
}).catch(() => {});
at('queue-form').addEventListener('change', () => at('queue-form').submit());
