// The student's page: one sound at a time, the big mark plays and pauses the line that is current. Pages turn in place.
import { say } from '../platform/words.js';
import { activities } from './activities.js';
import { BackgroundAudio } from './background-audio.js';
import { Dock } from './dock.js';
import { askStillYou } from './still-you.js';
import { tellHeard, tellPart } from './heard.js';
import { nextHint } from './hints.js';
import { watchKeys } from './keys.js';
import { inOrder, nextLine } from './line-order.js';
import { LineWords } from './line-words.js';
import { Listening } from './listening.js';
import { layOut } from './onpage.js';
import { HeardOutbox } from './outbox.js';
import { litOtherwise, showLit } from './page-look.js';
import { Prompts } from './prompts.js';
import { countStart, isSpent, ruleOf } from './rule.js';
import { Scanning, switchesOf } from './scanning.js';
import { PageNavigation } from './page-navigation.js';
import { Speeds } from './speeds.js';
import { StallWatch } from './stall-watch.js';
import { remember, remembered } from './visit.js';
import { warnOfLinks } from './warned-links.js';
import { zoomAgain, zoomOn } from './zoom.js';

const BACK_SECONDS = 5;
const LINES_AHEAD = 3;
const switches = switchesOf(window.location.href) || Number(document.body.dataset.switches ?? 0);

const at = (id) => document.getElementById(id);
const LONGEST_ALONE_MS = 3_000;

/** The voice that came with the page, and asked for its sound before this script was there. */
function carriedVoice() {
  const carried = at('voice');
  carried?.remove();
  return carried;
}

const background = new BackgroundAudio();
const prompts = new Prompts();
const outbox = new HeardOutbox();
const speeds = new Speeds();
// Two, in turns: what goes on over the next page has its own.
const voices = [carriedVoice() ?? new Audio(), new Audio()];
let audio = voices[0];
let spots = [];
const listening = new Listening();
let firstSound = Promise.resolve();
const words = new LineWords({
  audio: () => audio,
  play(share) {
    listening.pressed();
    audio.playbackRate = speeds.rate * share;
    return play();
  },
  stop: wordSaid,
});

const watch = new StallWatch({
  onStuck() {
    at('trouble').textContent = say('noConnection');
    showPlaying();
    prompts.say('NO_CONNECTION');
  },
  onHealed() {
    at('trouble').textContent = '';
    showPlaying();
  },
});

const dock = new Dock({
  get audio() { return audio; },
  get spots() { return spots; },
  get stuck() { return watch.stuck; },
  current: () => current(),
  currentOnes: () => currentOnes(),
  words,
  background,
});

const currentOnes = () => spots.filter((spot) => spot.parentElement.classList.contains('current'));
const current = () => currentOnes()[0];
const spotOf = (line) => spots.find((spot) => spot.dataset.line === line);
const isBegun = (spot) => spot.dataset.line === listening.begun;

function choose(spot) {
  if (!audio.paused) {
    tellPart(outbox, current(), audio);
  }
  spots.forEach((each) => each.parentElement.classList.toggle('current', each.dataset.line === spot.dataset.line));
  words.show(spot);
  dock.showLine(spot);
  const sound = new URL(spot.dataset.sound, window.location.href).href;
  if (audio.src !== sound || audio.error) {
    audio.src = sound;
  } else if (audio.currentTime > 0) {
    audio.currentTime = 0;
  }
  audio.playbackRate = speeds.rate;
  audio.volume = ruleOf(spot).volume;
  listening.choose(ruleOf(spot).times);
  remember(placeKey(), spot.dataset.line);
  dock.showTime();
}

const placeKey = () => `line ${window.location.pathname}${window.location.hash}`;

function showPlaying() {
  background.under(voices.some((voice) => !voice.paused));
  dock.showPlaying();
}

/** @param silently whether a browser that wants a press first is no trouble; answers whether it did */
async function play(silently = false) {
  prompts.hush();
  prompts.stopWaiting();
  document.dispatchEvent(new CustomEvent('line-sounds'));
  at('trouble').textContent = '';
  voices.filter((voice) => voice !== audio).forEach((voice) => voice.pause());
  if (audio.error) {
    audio.load();
  }
  watch.follow(audio);
  try {
    await audio.play();
  } catch (failure) {
    if (silently && failure.name === 'NotAllowedError') {
      watch.forget();
      return false;
    }
    if (failure.name === 'NotAllowedError') {
      watch.forget();
      at('trouble').textContent = say('trouble');
    } else if (failure.name !== 'AbortError') {
      watch.failed();
    }
  }
  return true;
}

/** A word was said alone: the line begins anew when it is pressed next. */
function wordSaid() {
  watch.forget();
  audio.pause();
  audio.currentTime = 0;
  audio.playbackRate = speeds.rate;
}

/** Plays a spot from its beginning, unless it was heard as often as it may be. */
async function begin(spot, silently = false) {
  if (isSpent(spot)) {
    return true;
  }
  if (spot !== current() || audio.currentTime > 0) {
    choose(spot);
  }
  listening.begin(spot.dataset.line);
  if (!await play(silently)) {
    return false;
  }
  countStart(spot);
  dock.showRules();
  return true;
}

/** All of the page was heard: the arrow says that there is more; on the last page a flag says that it is over. */
function pageHeard() {
  document.body.classList.add('heard');
  at('the-end').hidden = Boolean(document.querySelector('[data-turn=next], .jump'));
}

/** Says the page from here on, line by line; from its beginning when it was heard to the end. */
function sayThrough() {
  const from = audio.ended ? nextLine(spots, current()) ?? inOrder(spots)[0] : current();
  listening.sayThrough();
  if (!audio.paused && !watch.stuck) {
    return;
  }
  if (audio.currentTime > 0 && !audio.ended) {
    play();
  } else if (from) {
    begin(from);
  }
}

function ended() {
  watch.forget();
  if (words.leaveWord()) {
    wordSaid();
    return;
  }
  tellHeard(outbox, current());
  const next = listening.ended(current().dataset.line, () => nextLine(spots, current())?.dataset.line ?? null);
  if (next.again) {
    audio.currentTime = 0;
    play();
  } else if (next.begin) {
    begin(spotOf(next.begin));
  } else if (next.heard) {
    pageHeard();
    if (next.yourTurn && document.querySelector('.jump[data-way]')) {
      prompts.say('YOUR_TURN');
    }
  }
}

async function toggleBackground(spot) {
  if (!background.isOn(spot) && isSpent(spot)) {
    return;
  }
  const starts = !background.isOn(spot);
  await background.toggle(spot);
  if (starts) {
    countStart(spot);
  }
  dock.showRules();
}

function press(spot, event) {
  const silent = audio.paused || words.isAlone;
  const chosen = isBegun(spot) && isBegun(current()) && !isSpent(spot);
  if (silent && chosen && words.say(words.pressed(event))) {
    return;
  }
  // With switches nothing is pointed at: a line that was heard says its words one by one, then all of it again.
  if (switches > 0 && silent && chosen && (audio.ended || audio.currentTime === 0 || words.isAlone) && words.step(1)) {
    return;
  }
  if (words.leaveWord()) {
    wordSaid();
  }
  listening.pressed(spot.dataset.line === current().dataset.line);
  if (ruleOf(spot).underSpeech) {
    toggleBackground(spot).catch(() => { at('trouble').textContent = say('trouble'); });
  } else if (spot.dataset.line === current().dataset.line && (!audio.paused || (audio.currentTime > 0 && !audio.ended))) {
    toggle();
  } else {
    begin(spot);
  }
}

function toggle() {
  listening.pressed(true);
  words.leaveWord();
  if (watch.stuck) {
    watch.again();
  } else if (!audio.paused) {
    audio.pause();
  } else if (audio.currentTime > 0 && !audio.ended) {
    play();
  } else {
    begin(current());
  }
}

function again() {
  listening.pressed(true);
  if (!isSpent(current())) {
    audio.currentTime = 0;
    listening.choose(ruleOf(current()).times);
    countStart(current());
    dock.showRules();
    play();
  }
}

function back() {
  audio.currentTime = Math.max(0, audio.currentTime - BACK_SECONDS);
}

function changeSpeed() {
  speeds.next();
  speeds.show(voices);
  dock.showTime();
}

function hint() {
  listening.pressed(true);
  begin(nextHint(outbox));
}

/** What sounds on arrival, in order; where the browser wants a press first, one big mark asks for it. */
async function arrive() {
  const lines = new Set();
  const all = spots.filter((spot) => ruleOf(spot).onArrival && !lines.has(spot.dataset.line) && lines.add(spot.dataset.line));
  const speaking = all.filter((spot) => !ruleOf(spot).underSpeech && !isSpent(spot));
  const under = all.filter((spot) => ruleOf(spot).underSpeech && !background.isOn(spot));
  try {
    await Promise.all(under.map(toggleBackground));
    const first = listening.arrive(speaking.map((spot) => spot.dataset.line));
    if (!first || await begin(spotOf(first), true)) {
      return;
    }
  } catch (failure) {
    if (failure.name !== 'NotAllowedError') {
      return;
    }
  }
  at('start').hidden = false;
  at('start').focus();
}

function bind() {
  at('hint')?.addEventListener('click', hint);
  at('play').addEventListener('click', toggle);
  at('again').addEventListener('click', again);
  at('back5').addEventListener('click', back);
  at('speed').addEventListener('click', changeSpeed);
  at('through')?.addEventListener('click', sayThrough);
  dock.open();
  at('start').addEventListener('click', () => {
    at('start').hidden = true;
    arrive();
  });
  words.watch(spots, choose);
  spots.forEach((spot) => spot.addEventListener('click', (event) => press(spot, event)));
}

function open() {
  layOut();
  document.dispatchEvent(new CustomEvent('page-opened'));
  zoomAgain();
  showLit();
  at('light')?.addEventListener('click', litOtherwise);
  at('zoom')?.addEventListener('click', zoomOn);
  spots = [...document.querySelectorAll('.spot')];
  if (at('play')) {
    bind();
    speeds.show(voices);
    const place = spots.find((spot) => spot.dataset.line === remembered(placeKey()) && !spot.closest('.hints'));
    choose(place ?? spots.find((spot) => !ruleOf(spot).underSpeech) ?? spots[0]);
    dock.showRules();
    arrive();
  }
  listening.meet(spots.filter((spot) => !spot.closest('.hints')).map((spot) => spot.dataset.line));
  warnOfLinks(leadsElsewhere);
  if (at('play')) {
    prompts.wait(() => voices.every((voice) => voice.paused) && at('start').hidden);
  }
  spots.slice(0, LINES_AHEAD).forEach((spot) => words.prepare(spot));
  const later = () => {
    navigation.lookAhead();
    const keep = () => prompts.keep('NO_CONNECTION');
    if (document.body.dataset.listened) {
      // By a code the first sound comes before anything that may be needed later.
      voices.forEach((voice) => voice.addEventListener('play', keep, { once: true }));
    } else {
      keep();
    }
  };
  firstSound.then(() => (window.requestIdleCallback ? requestIdleCallback(later) : setTimeout(later, 500)));
}

/** Answers when what sounds first is there, or can't be waited for: then comes what is only seen, and what may be needed later. */
function waitForFirstSound() {
  if (!document.body.classList.contains('waits')) {
    return Promise.resolve();
  }
  return new Promise((there) => {
    const [voice] = voices;
    if (voice.readyState >= HTMLMediaElement.HAVE_ENOUGH_DATA || voice.error) {
      there();
    }
    ['canplaythrough', 'error', 'suspend'].forEach((event) => voice.addEventListener(event, there, { once: true }));
    setTimeout(there, LONGEST_ALONE_MS);
  }).then(() => {
    document.body.classList.remove('waits');
    layOut();
  });
}

function leadsElsewhere() {
  voices.forEach((voice) => voice.pause());
  at('trouble').textContent = say('elsewhere');
  prompts.say('OPENS_ELSEWHERE');
}

/** What is said before a right or a wrong way is gone. */
async function answer(way) {
  listening.pressed(true);
  voices.forEach((voice) => voice.pause());
  document.body.classList.add(way === 'right' ? 'was-right' : 'was-wrong');
  await prompts.say(way === 'right' ? 'WELL_DONE' : 'TRY_AGAIN');
}

function leave() {
  prompts.stopWaiting();
  const goesOn = spots.length > 0 && !audio.paused && ruleOf(current()).goesOn;
  listening.leave();
  background.leave();
  if (goesOn) {
    audio = voices.find((voice) => voice !== audio);
  }
  watch.forget();
  audio.pause();
}

activities.add({ canLeave: () => true, leave });
const navigation = new PageNavigation({ onWay: answer, onLeave: () => activities.leave(), onOpen: open, onTrouble() {
  at('trouble').textContent = say('pageTrouble');
  prompts.say('NO_CONNECTION');
} });

voices.forEach((voice) => {
  voice.preload = 'auto';
  voice.preservesPitch = true;
  const ifCurrent = (deed) => () => (voice === audio && at('play') ? deed() : background.under(voices.some((each) => !each.paused)));
  ['play', 'pause', 'ended'].forEach((event) => voice.addEventListener(event, ifCurrent(showPlaying)));
  voice.addEventListener('ended', ifCurrent(ended));
  // Paused on purpose: a sound that ran dry says something else.
  voice.addEventListener('pause', ifCurrent(() => { if (!watch.stuck && !voice.ended) { watch.forget(); tellPart(outbox, current(), voice); } }));
  // What was taken out of the lesson while it played.
  voice.addEventListener('error', ifCurrent(() => {
    watch.failed();
  }));
  voice.addEventListener('loadedmetadata', ifCurrent(() => dock.showTime()));
  voice.addEventListener('seeked', ifCurrent(() => dock.showTime()));
});

if (switches > 0) {
  new Scanning(switches, () => voices.some((voice) => !voice.paused), () => voices.forEach((voice) => voice.pause()));
}

watchKeys({ toggle, stepWord: (by) => words.step(by), begunLine: () => (at('play') && isBegun(current()) ? listening.begun : null) }, switches);

// What is answered has voices of its own: one sound at a time.
document.addEventListener('answer-sounds', () => {
  listening.pressed();
  voices.forEach((voice) => voice.pause());
});

firstSound = waitForFirstSound();
open();
askStillYou();
