// A page of a paper and the lines found on it: chosen, drawn, joined and cut, each change kept by the server.
import { send } from '../platform/requests.js';
import { tellNothing, tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import '../platform/keys.js';
import { Sheet } from '../stage/sheet.js';
import { served } from '../platform/served.js';

const page = document.querySelector('.review');
const address = served(`/papers/${page.dataset.paper}/pages/${page.dataset.page}/lines`);
const at = (id) => document.getElementById(id);
const sheet = new Sheet(at('sheet'), Number(page.dataset.aspect));
let shown = { lines: [], sounds: [], changes: 0, wantedLines: 0 };
let chosen = null;
let busy = Promise.resolve();

const index = () => shown.lines.findIndex((line) => line.id === chosen);
const rows = () => [...at('lines').children];

function fill(row, line) {
  row.dataset.line = line.id;
  row.classList.toggle('out', !line.wanted);
  row.classList.toggle('chosen', line.id === chosen);
  row.querySelector('.wanted').checked = line.wanted;
  row.querySelector('.kind').value = line.kind;
  const words = row.querySelector('.words');
  if (document.activeElement !== words || words.dataset.sent === words.value) {
    words.value = line.text;
  }
  words.dataset.sent = line.text;
}

function show(state) {
  shown = state;
  const list = at('lines');
  while (list.children.length < shown.lines.length) {
    list.append(at('line-row').content.firstElementChild.cloneNode(true));
  }
  while (list.children.length > shown.lines.length) {
    list.lastElementChild.remove();
  }
  shown.lines.forEach((line, i) => fill(list.children[i], line));
  rows().forEach((row) => { row.querySelector('.sounded').hidden = !shown.sounds.some((sound) => sound.line === row.dataset.line); });
  showSounds();
  at('no-text').hidden = shown.lines.length > 0;
  document.querySelector('[data-do=undo]').disabled = shown.changes === 0;
  at('take-words').textContent = say('take', { lines: shown.wantedLines });
  page.dataset.changes = shown.changes;
  page.dataset.state = 'open';
  draw();
}

/** Sounds of the file: those that are of no line as yet are asked about, each with the lines, the nearest first. */
function showSounds() {
  const near = (sound, line) => (line.area.w > 0 ? Math.hypot(line.area.x + line.area.w / 2 - sound.area.x, line.area.y + line.area.h / 2 - sound.area.y) : 9);
  const asked = shown.sounds.map((sound, number) => ({ sound, number })).filter(({ sound }) => !sound.line);
  at('unsaid').hidden = asked.length === 0;
  at('unsaid').replaceChildren(say('unsaid', { count: asked.length }), ...asked.map(({ sound, number }) => {
    const row = at('sound-row').content.firstElementChild.cloneNode(true);
    const [button, label] = row.children;
    button.textContent = say('hear', { name: sound.name });
    button.addEventListener('click', () => new Audio(served(`/papers/${page.dataset.paper}/pages/${page.dataset.page}/sounds/${number}`)).play().catch(tellOf));
    label.querySelector('span').textContent = say('saysWhich');
    const choices = [...shown.lines].sort((one, other) => near(sound, one) - near(sound, other));
    label.querySelector('select').append(new Option(say('saysNone'), ''), ...choices.map((line) => new Option(line.text.slice(0, 80) || say('noWords'), line.id)));
    label.querySelector('select').addEventListener('change', ({ target }) => change({ deed: 'SAY', lineId: target.value || null, at: number }));
    return row;
  }));
}

function draw() {
  sheet.boxes(at('boxes'), shown.lines.filter((line) => line.area.w > 0).map((line) => ({ id: line.id, area: line.area, chosen: line.id === chosen, kind: `${line.kind.toLowerCase()}${line.wanted ? '' : ' out'}` })));
  rows().forEach((row) => row.classList.toggle('chosen', row.dataset.line === chosen));
}

function choose(id, scroll) {
  chosen = id;
  draw();
  if (scroll && index() >= 0) {
    rows()[index()].scrollIntoView({ block: 'nearest' });
  }
}

/** One change after another; what can't be made so leaves all as it was. */
function change(deed) {
  busy = busy.then(async () => {
    try {
      const before = shown;
      const response = await send('POST', address, JSON.stringify({ at: null, wanted: null, ...deed }), { 'Content-Type': 'application/json' });
      const state = await response.json();
      at('review-state').textContent = state.changes === before.changes && deed.deed !== 'UNDO' ? say('notSo') : say('saved');
      tellNothing();
      const added = state.lines.find((line) => !before.lines.some((old) => old.id === line.id));
      if (added && (deed.deed === 'DRAW' || deed.deed === 'SPLIT')) {
        chosen = added.id;
      } else if (!state.lines.some((line) => line.id === chosen)) {
        chosen = state.lines[0]?.id ?? null;
      }
      show(state);
      if (added && deed.deed === 'DRAW') {
        rows()[index()].querySelector('.words').focus();
      }
    } catch (failure) {
      tellOf(failure);
      draw();
    }
  });
  return busy;
}

const DEEDS = {
  join: () => chosen && change({ deed: 'JOIN', lineId: chosen }),
  want: () => chosen && change({ deed: 'WANT', lineId: chosen, wanted: !shown.lines[index()].wanted }),
  undo: () => change({ deed: 'UNDO' }),
};

function step(by) {
  const to = Math.max(0, Math.min(shown.lines.length - 1, index() + by));
  if (shown.lines[to]) {
    choose(shown.lines[to].id, true);
  }
}

const idOf = (element) => element.closest('li').dataset.line;

function saveWords(words) {
  if (words.value !== words.dataset.sent) {
    words.dataset.sent = words.value;
    change({ deed: 'TEXT', lineId: idOf(words), text: words.value });
  }
}

at('lines').addEventListener('focusin', (event) => choose(idOf(event.target), false));
at('lines').addEventListener('change', (event) => {
  if (event.target.matches('.wanted')) {
    change({ deed: 'WANT', lineId: idOf(event.target), wanted: event.target.checked });
  } else if (event.target.matches('.kind')) {
    change({ deed: 'KIND', lineId: idOf(event.target), kind: event.target.value });
  } else {
    saveWords(event.target);
  }
});
at('lines').addEventListener('keydown', (event) => {
  const words = event.target.closest('.words');
  if (!words) {
    return;
  }
  if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    const cut = words.selectionStart;
    saveWords(words);
    change({ deed: 'SPLIT', lineId: idOf(words), at: cut });
  } else if (event.key === 'Enter' || event.key === 'Escape') {
    event.preventDefault();
    saveWords(words);
    words.closest('li').focus();
  }
});
document.addEventListener('keydown', (event) => {
  if (event.target.closest('input, textarea, select')) {
    return;
  }
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
  if (by && event.altKey && chosen) {
    event.preventDefault();
    change({ deed: 'MOVE', lineId: chosen, at: by });
  } else if (by) {
    event.preventDefault();
    step(by);
  } else if (event.key === 'Delete' && chosen) {
    DEEDS.want();
  } else if (event.key === 'F2' && chosen) {
    rows()[index()].querySelector('.words').focus();
  }
});
document.querySelectorAll('[data-do]').forEach((button) => button.addEventListener('click', () => DEEDS[button.dataset.do]()));
sheet.watch({
  onChoose: (id) => choose(id, true),
  onPlace: ([[id, area]]) => change({ deed: 'PLACE', lineId: id, area }),
  onDraw: (area) => change({ deed: 'DRAW', area }),
});

send('GET', address).then((response) => response.json()).then((state) => {
  chosen = state.lines[0]?.id ?? null;
  show(state);
}).catch(tellOf);
