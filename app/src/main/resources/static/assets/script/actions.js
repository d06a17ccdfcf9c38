// What can be done with lines besides typing: adding, moving, splitting, joining, removing, and undoing that.
import { Answer, send } from '../platform/requests.js';
import { tellNothing, tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { everythingSaved } from './autosave.js';
import { place } from './placing.js';
import { served } from '../platform/served.js';

const lesson = document.querySelector('.lesson').dataset.lesson;
let busy = Promise.resolve();

export function statusMessage(text) {
  const words = document.createElement('span');
  words.textContent = text;
  document.getElementById('slip').replaceChildren(words);
}

/** One after another, and only when the server has all that was typed. Answers the fresh rows, or null when it failed. */
export function perform(method, address, values = {}) {
  busy = busy.then(async () => {
    if (!await everythingSaved()) {
      statusMessage(say('saveFirst'));
      return null;
    }
    try {
      const response = await send(method, address, new URLSearchParams(values));
      const fresh = place(await response.text());
      tellNothing();
      document.body.dispatchEvent(new CustomEvent('script-changed', { detail: 'shape' }));
      return fresh;
    } catch (failure) {
      if (failure instanceof Answer && failure.status === 404) {
        // The line was removed in another tab.
        window.location.reload();
      }
      tellOf(failure);
      return null;
    }
  });
  return busy;
}

function focusOn(row, at) {
  const area = row?.querySelector('textarea');
  area?.focus();
  area?.setSelectionRange(at, at);
}

const words = (row) => row.querySelector('textarea')?.value ?? row.querySelector('p').textContent;
const address = (row, deed = '') => served(`/lines/${row.id.slice('line-'.length)}${deed}`);
const idOf = (row) => row?.id.slice('line-'.length) ?? '';

export async function split(row, at) {
  const [fresh] = await perform('POST', address(row, '/split'), { at }) ?? [];
  focusOn(fresh, 0);
}

/** To the line above. */
export async function join(row) {
  const above = row.previousElementSibling;
  if (!above) {
    return;
  }
  const had = words(above).trimEnd();
  if (await perform('POST', address(row, '/join'))) {
    const joined = document.getElementById(above.id);
    const gap = had && words(joined).charAt(had.length) === ' ' ? 1 : 0;
    focusOn(joined, had.length + gap);
  }
}

/** Lines of their own out of a text; the row goes when it is empty. */
export async function pasteUnder(row, text, wrapped) {
  const fresh = await perform('POST', address(row, '/paste'), { text, wrapped });
  fresh?.[0]?.querySelector('.more')?.focus();
  return Boolean(fresh);
}

/** A line for each of its sentences. */
export async function steps(row) {
  const fresh = await perform('POST', address(row, '/steps'));
  if (fresh?.length === 0) {
    statusMessage(say('oneSentence'));
  }
}

/** @param icon empty: none any more */
export const setIcon = (row, icon) => perform('PUT', address(row, '/icon'), icon ? { icon } : {});

/** @param label empty: none */
export const setLabel = (row, label) => perform('PUT', address(row, '/label'), { label });

/** @param lang empty: that of the lesson */
export const setLang = (row, lang) => perform('PUT', address(row, '/lang'), { lang });

/** Moves a row behind another one, or with null to the top of a page. */
export function moveTo(row, page, after) {
  return perform('POST', address(row, '/move'), { page, after: idOf(after) });
}

export async function step(row, down) {
  const list = row.parentElement;
  const lists = [...document.querySelectorAll('.lines')];
  const beside = lists[lists.indexOf(list) + (down ? 1 : -1)];
  const neighbour = down ? row.nextElementSibling : row.previousElementSibling;
  if (neighbour) {
    await moveTo(row, list.dataset.page, down ? neighbour : neighbour.previousElementSibling);
  } else if (beside) {
    await moveTo(row, beside.dataset.page, down ? null : beside.lastElementChild);
  }
  document.getElementById(row.id)?.scrollIntoView({ block: 'nearest' });
}

async function remove(row) {
  const beside = row.nextElementSibling ?? row.previousElementSibling;
  if (await perform('DELETE', address(row))) {
    // No field, so that Z undoes it.
    const next = beside && document.getElementById(beside.id)?.querySelector('.remove-line');
    (next ?? document.querySelector('#slip button'))?.focus({ preventScroll: true });
  }
}

async function add(page) {
  const [fresh] = await perform('POST', served(`/lessons/${lesson}/pages/${page}/lines`)) ?? [];
  focusOn(fresh, 0);
}

/** Words that were typed into a line that is gone, as a line of their own at the end. */
export async function addWith(typed) {
  const page = [...document.querySelectorAll('.lines')].at(-1).dataset.page;
  const [fresh] = await perform('POST', served(`/lessons/${lesson}/pages/${page}/lines`)) ?? [];
  const area = fresh?.querySelector('textarea');
  if (area) {
    area.value = typed;
    area.dispatchEvent(new Event('input', { bubbles: true }));
    focusOn(fresh, typed.length);
  }
  return Boolean(area);
}

async function addUnder(row) {
  const [fresh] = await perform('POST', address(row, '/split'), { at: words(row).length }) ?? [];
  focusOn(fresh, 0);
}

export const changeKind = (row, kind) => perform('PUT', address(row, '/kind'), { kind });
export const silence = (row) => perform('POST', address(row, '/silence'));
export const own = (row) => perform('POST', address(row, '/own'));

/** The words and the take of a row go to the library's standing lines; the row follows them from then on. */
export async function makeStanding(row) {
  if (await everythingSaved()) {
    await send('POST', address(row, '/standing')).then(() => window.location.reload(), tellOf);
  }
}

export const undo = () => perform('POST', served(`/lessons/${lesson}/undo`));
export const redo = () => perform('POST', served(`/lessons/${lesson}/redo`));
export const giveTake = (take, row) => perform('POST', served(`/takes/${take}/move`), { line: idOf(row) });

/** Buttons with data-deed outside the line menu. */
export function watchButtons(root) {
  root.addEventListener('click', ({ target }) => {
    const button = target.closest('[data-deed]');
    const actions = {
      add: () => add(button.dataset.page),
      remove: () => remove(button.closest('.row-line')),
      undo,
      redo,
    };
    actions[button?.dataset.deed]?.();
  });
}

/** Keys within the words of a line, as in any text: Enter divides, backspace at the beginning joins. */
export function watchKeys(sheet) {
  sheet.addEventListener('keydown', (event) => {
    const row = event.target.closest('.row-line');
    if (!row || event.isComposing) {
      return;
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      step(row, event.key === 'ArrowDown');
      return;
    }
    const area = event.target;
    if (!area.matches('textarea') || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) {
      return;
    }
    const { selectionStart: start, selectionEnd: end, value } = area;
    if (event.key === 'Enter') {
      event.preventDefault();
      if (start === value.length) {
        addUnder(row);
      } else {
        split(row, start);
      }
    } else if (event.key === 'Backspace' && start === 0 && end === 0 && row.previousElementSibling) {
      event.preventDefault();
      join(row);
    } else if (event.key === 'Delete' && start === value.length && end === start && row.nextElementSibling) {
      event.preventDefault();
      join(row.nextElementSibling);
    }
  });
}

/** Ctrl+Z takes back the last change of shape, or, when something was typed after it, the typing as ever. */
export function watchUndo() {
  let typedSince = false;
  document.addEventListener('input', () => { typedSince = true; });
  document.body.addEventListener('script-changed', ({ detail }) => { typedSince = detail === 'shape' ? false : typedSince; });
  document.addEventListener('keydown', (event) => {
    const key = event.key.toLowerCase();
    const back = key === 'z' && !event.shiftKey;
    const forth = key === 'y' || key === 'z' && event.shiftKey;
    const typing = event.target.closest?.('textarea, input');
    if (!(event.ctrlKey || event.metaKey) || event.altKey || !(back || forth) || typing && typedSince) {
      return;
    }
    event.preventDefault();
    (back ? undo : redo)();
  });
}
