// Words are saved as they are typed. What the server hasn't acknowledged stays in this browser and is sent again.
import { Answer, send } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { served } from '../platform/served.js';

const TYPING_PAUSE_MS = 400;
const RETRY_MS = 3000;
const waiting = new Set();
// Rows whose words were changed elsewhere too, until the teacher has said which hold.
const undecided = new Set();
const underWay = new WeakMap();

/** Says at the head of the lesson how far saving is. */
export function show(state) {
  const place = document.getElementById('save-state');
  if (place) {
    place.textContent = `· ${say(state)}`;
    place.dataset.state = state;
  }
}

const draftKey = (row) => `draft:${row.dataset.line}`;

function keepDraft(row, words) {
  const { lesson } = document.querySelector('.lesson').dataset;
  localStorage.setItem(draftKey(row), JSON.stringify({ words, lesson, revision: Number(row.dataset.revision) }));
}

function note(row, text, ...buttons) {
  const place = row.querySelector('.save-note');
  place.hidden = !text;
  place.classList.add('unsaved');
  place.replaceChildren(text ?? '', ...buttons);
}

function choice(text, action) {
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = text;
  button.addEventListener('click', action);
  return button;
}

function settle(row, area, saved) {
  row.dataset.revision = saved.revision;
  row.querySelector('textarea').defaultValue = saved.words;
  row.classList.remove('silent', 'voiced', 'outdated', 'doubtful');
  row.classList.add(saved.state.toLowerCase());
  const trace = row.querySelector('.trace');
  trace?.classList.toggle('outdated', saved.state === 'OUTDATED');
  if (area.value === saved.words) {
    localStorage.removeItem(draftKey(row));
    waiting.delete(row);
  }
  note(row, null);
  nameButtons(row, saved.words);
  showChanges(row, saved.changes);
  if (waiting.size === 0) {
    show('saved');
  }
  document.body.dispatchEvent(new CustomEvent('script-changed'));
}

/** The buttons of a line are called by its words. */
function nameButtons(row, words) {
  Object.entries({ 'a.sound, .record-line': 'nameRecord', '.more': 'nameMore', '.remove-line': 'nameRemove' }).forEach(([which, key]) => {
    row.querySelectorAll(which).forEach((button) => button.setAttribute('aria-label', say(key, { words })));
  });
}

/** Shows which words changed since the take. */
function showChanges(row, changes) {
  const TAGS = { REMOVED: 'del', ADDED: 'ins', STAYED: 'span' };
  row.querySelector('.changes').replaceChildren(...changes.flatMap((part) => {
    const piece = document.createElement(TAGS[part.change]);
    piece.textContent = part.words;
    return [piece, ' '];
  }));
}

async function conflict(row, area, answer) {
  const there = await answer.response.json();
  undecided.add(row);
  show('changedElsewhere');
  note(
    row,
    say('conflict', { words: there.words }),
    choice(say('keepMine'), () => {
      undecided.delete(row);
      row.dataset.revision = there.revision;
      keepDraft(row, area.value);
      save(row, area);
    }),
    choice(say('takeThat'), () => {
      undecided.delete(row);
      area.value = there.words;
      settle(row, area, there);
    }),
  );
}

/** One after another: a second one on its way at once would be taken for somebody else's change. */
function save(row, area) {
  const next = (underWay.get(row) ?? Promise.resolve()).then(() => put(row, area));
  underWay.set(row, next);
  return next;
}

async function put(row, area) {
  if (undecided.has(row) || !waiting.has(row)) {
    return;
  }
  const words = area.value;
  show('saving');
  try {
    const body = new URLSearchParams({ words, revision: row.dataset.revision });
    const response = await send('PUT', served(`/lines/${row.dataset.line}/words`), body);
    settle(row, area, await response.json());
  } catch (failure) {
    if (failure instanceof Answer && failure.status === 409) {
      await conflict(row, area, failure);
    } else if (failure instanceof Answer && failure.status === 404) {
      waiting.delete(row);
      show('notSaved');
      note(row, say('lineGone'));
    } else if (failure instanceof Answer && failure.status === 422) {
      show('notSaved');
      note(row, say('tooLong'));
    } else if (failure instanceof Answer && failure.needsSignIn) {
      show('signedOut');
      note(row, say('signedOutKept'));
    } else {
      show('notSaved');
      note(row, say('keptHere'));
      setTimeout(() => save(row, area), RETRY_MS);
    }
  }
}

const timers = new WeakMap();

/** Takes up what was typed into a row before: in another sitting without a connection, or before this script had come. */
export function takeUp(row) {
  const area = row.querySelector('textarea');
  const draft = JSON.parse(localStorage.getItem(draftKey(row)) ?? 'null');
  if (draft && draft.words !== area.value) {
    area.value = draft.words;
    row.dataset.revision = draft.revision;
    waiting.add(row);
    save(row, area);
  } else if (area.value !== area.defaultValue) {
    keepDraft(row, area.value);
    waiting.add(row);
    save(row, area);
  } else if (draft) {
    localStorage.removeItem(draftKey(row));
  }
}

/** The lines for which this browser holds words that the server may not have. */
export function draftedLines() {
  return Object.keys(localStorage).filter((key) => key.startsWith('draft:')).map((key) => key.slice('draft:'.length));
}

/** Words that were typed into lines of this lesson which are gone: { line, words } each. */
export function strandedDrafts() {
  const { lesson } = document.querySelector('.lesson').dataset;
  return draftedLines()
    .map((line) => ({ line, ...JSON.parse(localStorage.getItem(`draft:${line}`)) }))
    .filter((draft) => draft.lesson === lesson && draft.words.trim() && !document.getElementById(`line-${draft.line}`));
}

export const dropDraft = (line) => localStorage.removeItem(`draft:${line}`);

/** Saves all that still waits; answers whether the server has everything now. */
export async function everythingSaved() {
  await Promise.all([...waiting].map((row) => {
    clearTimeout(timers.get(row));
    return save(row, row.querySelector('textarea'));
  }));
  return waiting.size === 0;
}

/** Saves the words of all rows of a sheet, those that come later too. */
export function watchWords(sheet) {
  sheet.addEventListener('input', ({ target }) => {
    const row = target.matches('textarea') && target.closest('.row-line');
    if (row) {
      keepDraft(row, target.value);
      waiting.add(row);
      show('saving');
      clearTimeout(timers.get(row));
      timers.set(row, setTimeout(() => save(row, target), TYPING_PAUSE_MS));
    }
  });
  sheet.addEventListener('focusout', ({ target }) => {
    const row = target.closest('.row-line');
    if (waiting.has(row)) {
      clearTimeout(timers.get(row));
      save(row, target);
    }
  });
}
