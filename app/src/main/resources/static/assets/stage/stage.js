// The stage: things on a page, placed, moved and changed; each change is kept by the server before the next.
import { Answer, send } from '../platform/requests.js';
import { watchField } from '../platform/saved-field.js';
import { tellNothing, tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import '../platform/keys.js';
import { newId } from '../platform/new-id.js';
import { dressFor, kindOf } from './dress.js';
import { Inspector } from './inspector.js';
import { RuleFields } from './rulefields.js';
import { Sheet, shifted } from './sheet.js';
import { Thread } from './thread.js';
import { WordBoxes } from './words.js';
import { Zoom } from './zoom.js';

const NUDGE = 0.002;
const FAR_NUDGE = 0.02;
const EVERY = 'every-';
const SAID_KEY = 'stage-said';

const page = document.querySelector('.stage');
const onEvery = page.classList.contains('every');
const aspect = Number(page.dataset.aspect);
const address = page.dataset.stage;
const at = (id) => document.getElementById(id);
const sheet = new Sheet(at('sheet'), aspect);
const thread = new Thread(at('thread'));
const pageName = (id) => at('thing-page').querySelector(`[value="${id}"]`)?.textContent ?? '';
const dress = dressFor({ height: 1000 / aspect, mark: at('mark').content.firstElementChild, tab: at('tab').content.firstElementChild, thingsAt: page.dataset.thingsAt, pageName, lineWords: (id) => lines().find((line) => line.dataset.line === id)?.querySelector('p').textContent.trim() ?? '' });
const pageRule = new RuleFields(at('rule-page'));
const words = new WordBoxes(at('word-boxes'), sheet, address);
let stage = { things: [], every: [], manner: {}, version: 0, canUndo: false, canRedo: false };
let chosen = new Set();
let busy = Promise.resolve();
// What was typed last isn't kept yet; when it can't be, it stays in its field to be corrected.
let unkept = false;

const lines = () => [...at('lines').children];
const chosenThings = () => stage.things.filter((thing) => chosen.has(thing.id));
/** What stands here from the set of every page, and what of it was left out here. */
const fromEvery = () => stage.every.map(({ ofSet, thing, leftOut }) => ({ ...(thing ?? ofSet), id: EVERY + ofSet.id, absent: !thing, leftOut }));
const everyOne = () => (chosen.size === 1 ? fromEvery().find((thing) => chosen.has(thing.id)) : null);
const one = () => (chosen.size === 1 ? chosenThings()[0] : null);
const spotOf = (line) => [...stage.things, ...fromEvery()].find((thing) => thing.kind === 'SPOT' && !thing.absent && thing.lineId === line.dataset.line);
const unplaced = () => lines().filter((line) => line.dataset.met === 'true' && !spotOf(line));

// ---- showing

/** Where a spot is pressed, when that isn't where its tab is: a box of its own. */
const PRESSED = '~pressed';
const ownerOf = (box) => box.replace(PRESSED, '');
const pressBox = (thing) => ({ id: thing.id + PRESSED, area: thing.press, chosen: chosen.has(thing.id), kind: 'pressed' });
const hasPressBox = (thing) => thing.press && thing.mark !== false;

const boxOf = (thing, more = '') => ({
  id: thing.id,
  area: thing.area,
  chosen: chosen.has(thing.id),
  kind: kindOf(thing) + more,
  alone: hasPressBox(thing),
  dress: (box, area) => dress(box, thing, area),
});

/** The thread from what is chosen to its line, when everything has its place. */
function tie() {
  const line = lines().find((each) => each.classList.contains('chosen'));
  thread.tie(line ? at('sheet').querySelector('.box.chosen .frame') : null, line);
}

function draw() {
  sheet.boxes(at('every'), fromEvery().map((thing) => boxOf(thing, thing.absent ? ' here absent' : ' here')));
  sheet.boxes(at('things'), [...stage.things.filter(hasPressBox).map(pressBox), ...stage.things.map((thing) => boxOf(thing))]);
  const thing = one() ?? everyOne();
  const line = ['SPOT', 'ANSWER'].includes(thing?.kind) && !thing.absent ? lines().find((each) => each.dataset.line === thing.lineId) : null;
  lines().forEach((each) => {
    each.classList.toggle('placed', Boolean(spotOf(each)));
    each.classList.toggle('chosen', each === line);
  });
  inspector.choice = Boolean(choiceOf(thing));
  const kind = chosen.size > 1 ? 'MANY' : one()?.kind ?? (everyOne() ? 'HERE' : null);
  inspector.show(kind, thing, stage.farther, unkept);
  at('thing-line').closest('.field').hidden ||= kind === 'HERE' && !everyOne().kind.endsWith('SPOT');
  if (stage.fartherOfPage) {
    pageRule.show(stage.manner.rule, stage.fartherOfPage);
  }
  if (at('of-page').elements.example) {
    at('of-page').elements.example.checked = stage.manner.example === true;
  }
  const act = (name) => document.querySelector(`[data-do=${name}]`);
  act('undo').disabled = !stage.canUndo;
  act('redo').disabled = !stage.canRedo;
  (act('asFound') ?? {}).disabled = !lines().some((line) => line.dataset.found === 'true');
  act('twin').disabled = chosenThings().length === 0;
  act('remove').disabled = chosenThings().length === 0;
  if (!onEvery) {
    const left = unplaced().length;
    act('placeAll').disabled = left === 0;
    at('place-all-words').textContent = left === 0 ? say('allPlaced') : say('placeAll', { count: left });
  }
  page.dataset.version = stage.version;
  page.dataset.things = stage.things.length;
  page.dataset.state = 'open';
  tie();
}

function show(state) {
  stage = state;
  const there = new Set([...stage.things, ...fromEvery()].map((thing) => thing.id));
  chosen = new Set([...chosen].filter((id) => there.has(id)));
  draw();
}

// ---- changing

/** Does what needs the server, one after another; says when it is kept. */
function ask(request, done = say('saved')) {
  busy = busy.then(async () => {
    try {
      at('stage-state').textContent = say('saving');
      const got = await request();
      const answer = got instanceof Response ? await got.json() : {};
      const state = answer.stage ? { ...answer.stage, done: answer.done } : answer;
      unkept = false;
      if (answer.elsewhere) {
        // Lines and pages come with the page; when this one is out of the lesson, its script shows what there is.
        sessionStorage.setItem(SAID_KEY, answer.done ?? done);
        if (answer.stage !== null) {
          location.reload();
        } else {
          location.assign(page.dataset.script);
        }
        return;
      }
      if (state.things) {
        show(state);
      }
      at('stage-state').textContent = state.done ?? done;
      tellNothing();
    } catch (failure) {
      if (failure instanceof Answer && [422, 413].includes(failure.status)) {
        at('stage-state').textContent = (await failure.response.json()).why;
      } else {
        at('stage-state').textContent = '';
        tellOf(failure);
      }
      await words.again().catch(() => words.close());
      show(await send('GET', address).then((response) => response.json()).catch(() => stage));
    }
  });
  return busy;
}

/** Back or forth in all that was done to the lesson, wherever that was. */
function step(way) {
  return ask(() => send('POST', `${address}/${way}`)).then(() => words.again());
}

/** @param change from what is placed, and what is said of the page, to what is to be: any part of it */
function save(change) {
  return ask(() => {
    const placed = { things: stage.things, manner: stage.manner, ...change(stage) };
    return send('PUT', `${address}?version=${stage.version}`, JSON.stringify(placed), { 'Content-Type': 'application/json' });
  });
}

const saveThings = (change) => save(({ things }) => ({ things: change(things) }));
const changeEach = (ids, how) => saveThings((things) => things.map((thing) => (ids.has(thing.id) ? how(thing) : thing)));
const square = (thing) => (['SPOT', 'EVERY_SPOT'].includes(thing.kind) && thing.mark !== false ? { ...thing, area: { ...thing.area, h: thing.area.w * aspect } } : thing);

/** What this page does otherwise with a thing of the set of every page. */
function changeHere(thing, how) {
  const { leftOut, lineId } = how(thing);
  const id = thing.id.slice(EVERY.length);
  save(({ manner }) => {
    const own = lineId === thing.lineId ? manner.otherwise?.[id]?.lineId ?? null : lineId;
    return { manner: { ...manner, otherwise: { ...manner.otherwise, [id]: { leftOut, lineId: own } } } };
  });
}

const inspector = new Inspector(at('of-thing'), (how) => {
  unkept = true;
  const here = everyOne();
  if (here) {
    changeHere(here, how);
  } else {
    changeEach(new Set(chosen), (thing) => square(how(thing)));
  }
});

function add(thing) {
  const id = newId().slice(0, 8);
  chosen = new Set([id]);
  return saveThings((things) => [...things, { ...thing, id }]);
}

/** The words of the chosen line are shown and moved, until they are enough. */
async function toggleWords() {
  const line = at('lines').querySelector('.chosen');
  if (words.lineId || !line) {
    at('stage-state').textContent = words.lineId ? '' : say('wordsChoose');
    words.close();
  } else {
    await words.open(line.dataset.line).catch(tellOf);
    at('stage-state').textContent = words.count > 0 ? say('wordsKeys') : say('wordsNone');
    at('sheet').focus({ preventScroll: true });
  }
  page.classList.toggle('in-words', words.lineId !== null);
}

function endWords() {
  if (words.lineId) {
    toggleWords();
  }
}

function findWords(part) {
  const line = at('lines').querySelector(`[data-line="${words.lineId}"]`);
  ask(words.find(part)).then(() => {
    if (words.count > 0) {
      line.dataset.found = 'true';
      draw();
    }
  });
}

/** The choice that a spot sounds: it can lead on itself. */
const choiceOf = (thing) => (thing?.kind === 'SPOT' && lines().some((line) => line.dataset.line === thing.lineId && line.dataset.kind === 'CHOICE') ? thing.lineId : null);

const DEEDS = {
  words: toggleWords,
  asFound: () => {
    const wanted = chosenThings().length > 0 ? chosenThings().map((thing) => thing.lineId).filter(Boolean) : lines().filter((line) => line.dataset.found === 'true').map((line) => line.dataset.line);
    return ask(() => send('POST', `${address}/place?anew=true&${wanted.map((line) => `line=${line}`).join('&')}`), say('asFound'));
  },
  placeAll: () => ask(() => send('POST', `${address}/place?${unplaced().map((line) => `line=${line.dataset.line}`).join('&')}`)),
  everySpot: () => add({ kind: 'EVERY_SPOT', area: { x: 0.02, y: 0.97 - 0.073 * aspect, w: 0.073, h: 0.073 * aspect }, lines: 'DIRECTION', mark: true }),
  link: () => add({ kind: 'LINK', area: { x: 0.35, y: 0.8, w: 0.3, h: 0.08 }, words: say('linkWords'), address: 'https://' + say('linkHost'), seen: true }).then(() => at('thing-address').select()),
  text: () => add({ kind: 'TEXT', area: { x: 0.3, y: 0.4, w: 0.4, h: 0.16 }, words: say('textWords'), size: 'NORMAL', tint: 'INK' }).then(() => at('thing-text').select()),
  answer: () => {
    const line = at('lines').querySelector('.chosen[data-asks], :focus-within[data-asks], :focus[data-asks]') ?? at('lines').querySelector('[data-asks]');
    if (!line) {
      at('stage-state').textContent = say('noQuestion');
      return null;
    }
    const drawn = 'byHand' in line.dataset;
    return add({ kind: 'ANSWER', area: { x: 0.3, y: 0.4, w: 0.3, h: drawn ? 0.24 : 0.07 }, lineId: line.dataset.line });
  },
  picture: () => at('picture-file').click(),
  pagePicture: () => at('page-picture-file').click(),
  jump: () => {
    const choice = choiceOf(one());
    const leading = choice && stage.things.find((thing) => thing.kind === 'JUMP' && thing.choiceId === choice);
    if (leading) {
      choose([leading.id]);
      at('thing-page').focus();
      return;
    }
    const pages = [...at('thing-page').options];
    const ids = [...document.querySelectorAll('.rail a[href*="/pages/"]:not(.every-link)')];
    const next = pages[Math.min(pages.length - 1, ids.findIndex((link) => link.ariaCurrent) + 1)];
    // Each above the one before: two ways at one place can't be told apart.
    const others = stage.things.filter(({ kind }) => kind === 'JUMP').length;
    add({ kind: 'JUMP', choiceId: choice, area: { x: 0.8, y: 0.82 - (others % 6) * 0.13, w: 0.16, h: 0.12 }, pageId: next.value, way: 'PLAIN' });
  },
  twin: () => {
    const twins = chosenThings().map((thing) => ({ ...thing, press: null, choiceId: null, id: newId().slice(0, 8), area: shifted(thing.area, 0.02, 0.02) }));
    chosen = new Set(twins.map((twin) => twin.id));
    saveThings((things) => [...things, ...twins]);
  },
  remove: () => {
    const gone = chosen;
    chosen = new Set();
    saveThings((things) => things.filter((thing) => !gone.has(thing.id)));
  },
  undo: () => step('undo'),
  redo: () => step('redo'),
};

const ALIGN = {
  left: (things) => { const x = Math.min(...things.map((thing) => thing.area.x)); return (area) => ({ ...area, x }); },
  top: (things) => { const y = Math.min(...things.map((thing) => thing.area.y)); return (area) => ({ ...area, y }); },
  size: ([first]) => (area) => ({ ...area, w: first.area.w, h: first.area.h }),
};

at('of-page').addEventListener('change', ({ target }) => target.matches('[data-save]') || save(({ manner }) => ({
  manner: { ...manner, example: at('of-page').elements.example?.checked ?? false, rule: pageRule.rule() },
})));
at('of-page').addEventListener('submit', (event) => event.preventDefault());
document.querySelectorAll('[data-align]').forEach((button) => button.addEventListener('click', () => {
  const how = ALIGN[button.dataset.align](chosenThings());
  changeEach(new Set(chosen), (thing) => ({ ...thing, area: shifted(how(thing.area), 0, 0) }));
}));
document.querySelectorAll('[data-do]').forEach((button) => button.addEventListener('click', () => DEEDS[button.dataset.do]()));
at('picture-file').addEventListener('change', () => {
  const [file] = at('picture-file').files;
  if (file) {
    const had = new Set(stage.things.map((thing) => thing.id));
    ask(() => send('POST', `${address}/picture?name=${encodeURIComponent(file.name)}`, file, { 'Content-Type': 'application/octet-stream' }))
      .then(() => choose(stage.things.filter((thing) => !had.has(thing.id)).map((thing) => thing.id)));
  }
  at('picture-file').value = '';
});
at('page-picture-file')?.addEventListener('change', () => {
  const [file] = at('page-picture-file').files;
  if (file) {
    ask(() => send('PUT', `${at('page-picture-file').dataset.page}/picture`, file, { 'Content-Type': 'application/octet-stream' }));
  }
  at('page-picture-file').value = '';
});
document.querySelectorAll('[data-save]').forEach((field) => watchField(field, (state) => { at('stage-state').textContent = say(state); }));
at('copy')?.addEventListener('click', () => {
  const values = new URLSearchParams([...chosen].map((id) => ['thing', id]));
  values.append('pages', at('copy-pages').value);
  ask(() => send('POST', `${address}/copy`, values));
});

// ---- choosing

function choose(ids) {
  endWords();
  chosen = new Set(ids);
  unkept = false;
  draw();
}

function chooseOne(id, more) {
  choose(more ? [...chosen].filter((each) => each !== id).concat(chosen.has(id) ? [] : [id]) : chosen.has(id) ? chosen : [id]);
}

at('lines').addEventListener('click', (event) => {
  const line = event.target.closest('li');
  if (event.target.closest('.place')) {
    ask(() => send('POST', `${address}/place?line=${line.dataset.line}`)).then(() => choose([spotOf(line)?.id]));
  } else if (spotOf(line)) {
    choose([spotOf(line).id]);
  }
});
const within = (thing, area) => thing.x >= area.x && thing.y >= area.y && thing.x + thing.w <= area.x + area.w && thing.y + thing.h <= area.y + area.h;
sheet.watch({
  onChoose: (box, more) => (words.lineId ? words.choose(box) : chooseOne(ownerOf(box), more)),
  onPlace: (places) => {
    if (words.lineId) {
      ask(words.place(places));
      return;
    }
    const moved = new Map(places.filter(([id]) => !id.startsWith(EVERY)));
    const areas = new Map([...moved.keys()].map((box) => [ownerOf(box), null]));
    if (areas.size === 0) {
      draw();
      return;
    }
    changeEach(new Set(areas.keys()), (thing) => square({
      ...thing,
      area: moved.get(thing.id) ?? thing.area,
      press: moved.get(thing.id + PRESSED) ?? thing.press,
    }));
  },
  onDraw: (area) => (words.lineId ? findWords(area) : choose(stage.things.filter((thing) => within(thing.area, area)).map((thing) => thing.id))),
  onNothing: () => (words.lineId ? words.choose(null) : choose([])),
});

function keyOfWords(event, by) {
  if (event.key === 'Escape') {
    endWords();
  } else if (event.key === 'Tab') {
    if (words.step(event.shiftKey ? -1 : 1)) {
      event.preventDefault();
    }
  } else {
    event.preventDefault();
    const move = words.nudge(by[0], by[1] * aspect);
    if (move) {
      ask(move);
    }
  }
}

document.addEventListener('keydown', (event) => {
  if (event.target.closest('input, textarea, select')) {
    if (event.key === 'Escape') {
      event.target.blur();
    }
    return;
  }
  const step = event.shiftKey ? FAR_NUDGE : NUDGE;
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
  if (words.lineId && (by || event.key === 'Escape' || (event.key === 'Tab' && event.target === at('sheet')))) {
    keyOfWords(event, by);
  } else if (by && chosenThings().length > 0) {
    event.preventDefault();
    changeEach(new Set(chosen), (thing) => ({ ...thing, area: shifted(thing.area, by[0], by[1] * aspect) }));
  } else if (event.key === 'a' && event.ctrlKey) {
    event.preventDefault();
    choose(stage.things.map((thing) => thing.id));
  } else if (event.key === 'Escape') {
    choose([]);
  } else if (event.key === 'Tab' && event.target === at('sheet')) {
    const all = [...stage.things, ...fromEvery()];
    const now = all.findIndex((thing) => chosen.has(thing.id)) + (event.shiftKey ? -1 : 1);
    if (all[now]) {
      event.preventDefault();
      choose([all[now].id]);
    }
  }
});
new Zoom(at('sheet-place'), at('sheet'), draw);
['resize', 'scroll'].forEach((event) => window.addEventListener(event, draw, { passive: true, capture: true }));
// A part of the inspector that is opened moves the list.
window.addEventListener('toggle', tie, { capture: true });

at('stage-state').textContent = sessionStorage.getItem(SAID_KEY) ?? '';
sessionStorage.removeItem(SAID_KEY);
send('GET', address).then((response) => response.json()).then(show).catch(tellOf);
