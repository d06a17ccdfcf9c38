// What was said back to a child: one press plays all of it in order, each at its place; another answers by voice.
import { recordings as leftOver } from '../record/chunk-store.js';
import { Microphone, meterShare } from '../record/microphone.js';
import { finishLeftOver } from '../record/resume-uploads.js';
import { TakeInTheMaking } from '../record/take.js';
import { send } from '../platform/requests.js';
import { goOver, leadTo } from '../platform/secure-page.js';
import { say } from '../platform/words.js';
import { askStillYou } from '../player/still-you.js';
import { onlyFor } from '../classroom/whose-page.js';
import { markArea } from './remark-place.js';

const BEFORE_MOMENT_S = 2.5;
const SHOWN_MS = 1_500;
const main = document.querySelector('.spoken-to');
const { base, owner } = main.dataset;
document.documentElement.dataset.owner = owner;
onlyFor(owner);
const voice = new Audio();
const microphone = new Microphone();
/** Where there would be a microphone, if not here. */
const elsewhere = !window.isSecureContext && document.querySelector('.mic') ? goOver() : null;
let turn = 0;
let recording = null;

/** Plays a sound, or a part of it; answers when it was heard, or something else sounds. */
async function sound(src, from = 0, to = Infinity) {
  voice.src = src;
  voice.currentTime = from;
  try {
    await voice.play();
  } catch {
    return;
  }
  await new Promise((done) => {
    ['ended', 'pause', 'error'].forEach((event) => voice.addEventListener(event, done, { once: true }));
    const watch = () => (voice.currentTime >= to ? voice.pause() : !voice.paused && requestAnimationFrame(watch));
    watch();
  });
}

function quiet() {
  turn += 1;
  voice.pause();
  document.querySelectorAll('.sounds').forEach((each) => each.classList.remove('sounds'));
  return turn;
}

const met = (remark) => send('POST', `${base}/remarks/${remark.dataset.remark}/met`).then(() => remark.classList.remove('is-new')).catch(() => {});

/** One remark at its place: what of hers it is about, and then what was said. */
async function play(remark, mine) {
  remark.classList.add('sounds');
  remark.scrollIntoView({ block: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
  const { recording: own, at } = remark.dataset;
  const heard = own && document.querySelector(`.own-voice[data-recording="${own}"]`);
  if (heard) {
    const moment = Number(at) / 1000;
    await sound(heard.dataset.src, Math.max(0, moment - BEFORE_MOMENT_S), moment + 0.3);
  }
  const voiceOf = remark.querySelector('.hear-remark');
  if (mine === turn && voiceOf) {
    await sound(voiceOf.dataset.src);
  } else if (mine === turn) {
    await new Promise((done) => { setTimeout(done, SHOWN_MS); });
  }
  if (mine === turn) {
    remark.classList.remove('sounds');
    if (remark.dataset.remark) {
      met(remark);
    }
  }
}

document.getElementById('hear-all').addEventListener('click', async ({ currentTarget }) => {
  const sounds = currentTarget.classList.contains('sounds');
  const mine = quiet();
  if (sounds) {
    return;
  }
  currentTarget.classList.add('sounds');
  const all = [...document.querySelectorAll('.said-to li[data-remark]')];
  const fresh = all.filter((remark) => remark.classList.contains('is-new'));
  for (const remark of fresh.length > 0 ? fresh : all) {
    if (mine !== turn) {
      return;
    }
    await play(remark, mine);
  }
  currentTarget.classList.remove('sounds');
});

document.addEventListener('click', ({ target }) => {
  const remark = target.closest('.hear-remark')?.closest('li');
  const own = target.closest('.own-voice');
  const question = target.closest('.said-to .ear');
  const level = target.closest('.hear-level');
  if (remark) {
    play(remark, quiet());
  } else if (own) {
    quiet();
    sound(own.dataset.src);
  } else if (question || level) {
    quiet();
    sound(question ? question.dataset.title : level.dataset.src);
  }
});

// Where on a picture something was meant.
document.querySelectorAll('.said-to li[data-area]').forEach((remark) => {
  const picture = remark.closest('.said-to').querySelector('.on-picture');
  const [x, y, w, h] = remark.dataset.area.split(' ').map(Number);
  if (picture) {
    markArea(picture, { x, y, w, h });
  }
});

const through = (mic) => `${base}/reply/${mic.dataset.remark}`;
const tell = (mic, key) => { mic.closest('.said-to').querySelector('.reply-state').textContent = key ? say(key) : ''; };

function said(mic, id, answer) {
  if (!answer.made) {
    tell(mic, 'notHeard');
    return;
  }
  tell(mic, '');
  const row = document.createElement('li');
  row.className = 'by-me';
  row.innerHTML = '<button type="button" class="hear-remark"><svg viewBox="0 0 64 48" aria-hidden="true"><path d="M10 32 V8 h44 v24 H30 l-10 9 v-9 z"/><path class="ink" d="M18 24 l4-9 4 9 4-12 4 12 4-7 4 7"/></svg></button>';
  row.firstChild.dataset.src = `${base}/remarks/${id}.mp3`;
  row.firstChild.setAttribute('aria-label', mic.dataset.say);
  mic.closest('.said-to').querySelector('ol').append(row);
}

async function start(mic) {
  quiet();
  try {
    await microphone.open();
  } catch {
    const there = await elsewhere;
    tell(mic, there ? 'needsSecurePage' : 'noMicrophone');
    leadTo(there, mic.closest('.said-to').querySelector('.reply-state'));
    return;
  }
  const take = new TakeInTheMaking(mic.dataset.question, '', microphone.stream, (how) => tell(mic, how === 'stored' ? '' : 'waiting'), through(mic));
  const own = { mic, take };
  recording = own;
  await take.start();
  mic.setAttribute('aria-pressed', 'true');
  mic.setAttribute('aria-label', mic.dataset.stop);
  const follow = () => {
    if (recording === own) {
      mic.style.setProperty('--level', meterShare(microphone.peak()));
      requestAnimationFrame(follow);
    }
  };
  follow();
}

async function stop() {
  const { mic, take } = recording;
  recording = null;
  mic.setAttribute('aria-pressed', 'false');
  mic.setAttribute('aria-label', mic.dataset.say);
  mic.classList.add('sending');
  try {
    said(mic, take.recording.id, JSON.parse(await take.finish({})));
  } catch {
    tell(mic, 'waiting');
  } finally {
    mic.classList.remove('sending');
    microphone.close();
  }
}

document.querySelectorAll('.mic').forEach((mic) => mic.addEventListener('click', () => (recording ? stop() : start(mic))));

// What a closed tab left of a reply goes on from there.
leftOver().then(async (all) => {
  for (const mic of document.querySelectorAll('.mic')) {
    for (const left of all.filter((each) => each.owner === owner && each.through === through(mic))) {
      const answer = await finishLeftOver(left, {});
      if (answer) {
        said(mic, left.id, JSON.parse(answer));
      }
    }
  }
}).catch(() => {});
askStillYou();
