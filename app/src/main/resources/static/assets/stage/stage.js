// The stage: things on a page, placed, moved and changed; each change is kept by the server before the next.
import { Answer, send } from '../house/requests.js';
import { tellNothing, tellOf } from '../house/note.js';
import { say } from '../house/words.js';
import '../house/keys.js';
import { newId } from '../reading/upload.js';
import { Sheet, shifted } from './sheet.js';
import { Thread } from './thread.js';

const NUDGE = 0.002;
const FAR_NUDGE = 0.02;

const page = document.querySelector('.stage');
const aspect = Number(page.dataset.aspect);
const address = page.dataset.stage;
const at = (id) => document.getElementById(id);
const sheet = new Sheet(at('sheet'), aspect);
const thread = new Thread(at('thread'));
let stage = { things: [], version: 0, canUndo: false, canRedo: false };
let chosen = new Set();
let busy = Promise.resolve();
// What was typed last isn't kept yet; when it can't be, it stays in its field to be corrected.
let unkept = false;

const lines = () => [...at('lines').children];
const chosenThings = () => stage.things.filter((thing) => chosen.has(thing.id));
const one = () => (chosen.size === 1 ? chosenThings()[0] : null);
const spotOf = (line) => stage.things.find((thing) => thing.kind === 'SPOT' && thing.lineId === line.dataset.line);
const unplaced = () => lines().filter((line) => line.dataset.met === 'true' && !spotOf(line));

// ---- showing

function dress(box, thing, area) {
  if (thing.kind === 'SPOT' && thing.mark !== false) {
    const mark = at('mark').content.firstElementChild.cloneNode(true);
    Object.entries(area).forEach(([name, value]) => mark.setAttribute(name, value));
    box.append(mark);
  } else if (thing.kind !== 'SPOT') {
    const words = document.createElementNS('http://www.w3.org/2000/svg', 'text');
    words.setAttribute('x', area.x);
    words.setAttribute('y', area.y + area.height + 17);
    words.textContent = thing.kind === 'JUMP' ? `${{ RIGHT: '✓', WRONG: '✗' }[thing.way] ?? '→'} ${pageName(thing.pageId)}` : (thing.words ? '' : `↗ ${thing.address}`);
    box.append(words);
  }
}

const pageName = (id) => at('thing-page').querySelector(`[value="${id}"]`)?.textContent ?? '';

function draw() {
  sheet.boxes(at('things'), stage.things.map((thing) => ({
    id: thing.id,
    area: thing.area,
    chosen: chosen.has(thing.id),
    kind: `${thing.kind.toLowerCase()}${thing.mark === false ? ' area' : ''} ${(thing.way ?? '').toLowerCase()}`,
    dress: (box, area) => dress(box, thing, area),
  })));
  const thing = one();
  const line = thing?.kind === 'SPOT' ? lines().find((each) => each.dataset.line === thing.lineId) : null;
  lines().forEach((each) => {
    each.classList.toggle('placed', Boolean(spotOf(each)));
    each.classList.toggle('chosen', each === line);
  });
  thread.tie(thing && line ? at('things').querySelector('.box.chosen .frame') : null, line);
  inspect(thing);
  const act = (name) => document.querySelector(`[data-do=${name}]`);
  act('undo').disabled = !stage.canUndo;
  act('redo').disabled = !stage.canRedo;
  act('twin').disabled = chosen.size === 0;
  act('remove').disabled = chosen.size === 0;
  const left = unplaced().length;
  act('placeAll').disabled = left === 0;
  at('place-all-words').textContent = left === 0 ? say('allPlaced') : say('placeAll', { count: left });
  page.dataset.version = stage.version;
  page.dataset.things = stage.things.length;
  page.dataset.state = 'open';
}

/** What can be said of the chosen thing. */
function inspect(thing) {
  const form = at('of-thing');
  form.hidden = chosen.size === 0;
  form.querySelectorAll('[data-for]').forEach((part) => {
    part.hidden = part.dataset.for !== (chosen.size > 1 ? 'MANY' : thing?.kind);
  });
  if (!thing || unkept && form.dataset.of === thing.id) {
    return;
  }
  form.dataset.of = thing.id;
  ['lineId', 'words', 'address', 'pageId'].forEach((name) => {
    if (form.elements[name] !== document.activeElement) {
      form.elements[name].value = thing[name] ?? '';
    }
  });
  form.elements.mark.value = String(thing.mark !== false);
  form.elements.way.value = thing.way ?? 'PLAIN';
  at('try-it').href = thing.address ?? '';
}

function show(state) {
  stage = state;
  chosen = new Set([...chosen].filter((id) => stage.things.some((thing) => thing.id === id)));
  draw();
}

// ---- changing

/** Does what needs the server, one after another; says when it is kept. */
function ask(request) {
  busy = busy.then(async () => {
    try {
      at('stage-state').textContent = say('saving');
      const state = await (await request()).json();
      unkept = false;
      show(state);
      at('stage-state').textContent = say('saved');
      tellNothing();
    } catch (failure) {
      if (failure instanceof Answer && failure.status === 422) {
        at('stage-state').textContent = (await failure.response.json()).why;
      } else {
        at('stage-state').textContent = '';
        tellOf(failure);
      }
      show(await send('GET', address).then((response) => response.json()).catch(() => stage));
    }
  });
  return busy;
}

/** @param change from the things as they are to those that are to be */
function save(change) {
  return ask(() => {
    const things = change(stage.things);
    return send('PUT', `${address}?version=${stage.version}`, JSON.stringify(things), { 'Content-Type': 'application/json' });
  });
}

const changeEach = (ids, how) => save((things) => things.map((thing) => (ids.has(thing.id) ? how(thing) : thing)));
const square = (thing) => (thing.kind === 'SPOT' && thing.mark !== false ? { ...thing, area: { ...thing.area, h: thing.area.w * aspect } } : thing);

function add(thing) {
  const id = newId().slice(0, 8);
  chosen = new Set([id]);
  return save((things) => [...things, { ...thing, id }]);
}

const DEEDS = {
  placeAll: () => ask(() => send('POST', `${address}/place?${unplaced().map((line) => `line=${line.dataset.line}`).join('&')}`)),
  link: () => add({ kind: 'LINK', area: { x: 0.35, y: 0.8, w: 0.3, h: 0.08 }, words: say('linkWords'), address: 'https://' + say('linkHost') }).then(() => at('thing-address').select()),
  jump: () => {
    const here = document.querySelector('.rail [aria-current]');
    const pages = [...at('thing-page').options];
    const next = pages[Math.min(pages.length - 1, [...document.querySelectorAll('.rail a[href*="/pages/"]')].indexOf(here) + 1)];
    add({ kind: 'JUMP', area: { x: 0.8, y: 0.82, w: 0.16, h: 0.12 }, pageId: next.value });
  },
  twin: () => {
    const twins = chosenThings().map((thing) => ({ ...thing, id: newId().slice(0, 8), area: shifted(thing.area, 0.02, 0.02) }));
    chosen = new Set(twins.map((twin) => twin.id));
    save((things) => [...things, ...twins]);
  },
  remove: () => {
    const gone = chosen;
    chosen = new Set();
    save((things) => things.filter((thing) => !gone.has(thing.id)));
  },
  undo: () => ask(() => send('POST', `${address}/undo`)),
  redo: () => ask(() => send('POST', `${address}/redo`)),
};

const ALIGN = {
  left: (things) => { const x = Math.min(...things.map((thing) => thing.area.x)); return (area) => ({ ...area, x }); },
  top: (things) => { const y = Math.min(...things.map((thing) => thing.area.y)); return (area) => ({ ...area, y }); },
  size: ([first]) => (area) => ({ ...area, w: first.area.w, h: first.area.h }),
};

at('of-thing').addEventListener('change', (event) => {
  const { name, value } = event.target;
  unkept = true;
  changeEach(new Set(chosen), (thing) => square({ ...thing, [name]: name === 'mark' ? value === 'true' : value }));
});
at('of-thing').addEventListener('submit', (event) => event.preventDefault());
document.querySelectorAll('[data-align]').forEach((button) => button.addEventListener('click', () => {
  const how = ALIGN[button.dataset.align](chosenThings());
  changeEach(new Set(chosen), (thing) => ({ ...thing, area: shifted(how(thing.area), 0, 0) }));
}));
document.querySelectorAll('[data-do]').forEach((button) => button.addEventListener('click', () => DEEDS[button.dataset.do]()));

// ---- choosing

function choose(ids) {
  chosen = new Set(ids);
  draw();
}

at('lines').addEventListener('click', (event) => {
  const line = event.target.closest('li');
  if (event.target.closest('.place')) {
    ask(() => send('POST', `${address}/place?line=${line.dataset.line}`)).then(() => choose([spotOf(line)?.id]));
  } else if (spotOf(line)) {
    choose([spotOf(line).id]);
  }
});
sheet.watch({
  onChoose: (id, more) => choose(more ? [...chosen].filter((each) => each !== id).concat(chosen.has(id) ? [] : [id]) : chosen.has(id) ? chosen : [id]),
  onPlace: (places) => {
    const areas = new Map(places);
    changeEach(new Set(areas.keys()), (thing) => square({ ...thing, area: areas.get(thing.id) }));
  },
  onDraw: (area) => choose(stage.things.filter((thing) => within(thing.area, area)).map((thing) => thing.id)),
  onNothing: () => choose([]),
});
const within = (thing, area) => thing.x >= area.x && thing.y >= area.y && thing.x + thing.w <= area.x + area.w && thing.y + thing.h <= area.y + area.h;

document.addEventListener('keydown', (event) => {
  if (event.target.closest('input, textarea, select')) {
    return;
  }
  const step = event.shiftKey ? FAR_NUDGE : NUDGE;
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
  if (by && chosen.size > 0) {
    event.preventDefault();
    changeEach(new Set(chosen), (thing) => ({ ...thing, area: shifted(thing.area, by[0], by[1] * aspect) }));
  } else if (event.key === 'a' && event.ctrlKey) {
    event.preventDefault();
    choose(stage.things.map((thing) => thing.id));
  } else if (event.key === 'Escape') {
    choose([]);
  } else if (event.key === 'Tab' && event.target === at('sheet') && stage.things.length > 0) {
    const now = stage.things.findIndex((thing) => chosen.has(thing.id)) + (event.shiftKey ? -1 : 1);
    if (stage.things[now]) {
      event.preventDefault();
      choose([stage.things[now].id]);
    }
  }
});
['resize', 'scroll'].forEach((event) => window.addEventListener(event, draw, { passive: true, capture: true }));

send('GET', address).then((response) => response.json()).then(show).catch(tellOf);
