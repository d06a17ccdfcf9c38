// How questions are answered: kind, points and key beside the line, and the right choices, without a dialog.
import { send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { place } from './placing.js';
import { perform, statusMessage } from './actions.js';
import { served } from '../platform/served.js';

const UNPROCESSABLE = 422;

const address = (row, what) => served(`/lines/${row.id.slice('line-'.length)}/${what}`);

/** Changes something of a row and stays where the teacher was in it. */
async function change(row, what, values, focus) {
  await perform('PUT', address(row, what), values);
  showAsked(row.closest('.sheet') ?? document.querySelector('.sheet'));
  const fresh = document.getElementById(row.id);
  (fresh?.querySelector(focus) ?? fresh?.querySelector('textarea'))?.focus({ preventScroll: true });
}

/** A choice is marked right where the cursor is: in its words, or on its ring. */
async function turnRight(row) {
  const words = row.querySelector('textarea');
  const at = document.activeElement === words ? words.selectionStart : null;
  await change(row, 'right', {}, at === null ? '.right' : 'textarea');
  if (at !== null) {
    document.getElementById(row.id)?.querySelector('textarea')?.setSelectionRange(at, at);
  }
}

async function saveKey(field) {
  try {
    const response = await send('PUT', address(field.closest('.row-line'), 'question/key'), new URLSearchParams({ key: field.value }));
    [field.value] = await response.json();
    field.removeAttribute('aria-invalid');
    document.body.dispatchEvent(new CustomEvent('script-changed', { detail: 'words' }));
  } catch (failure) {
    if (failure.status !== UNPROCESSABLE) {
      tellOf(failure);
      return;
    }
    field.setAttribute('aria-invalid', 'true');
    const [why] = await failure.response.json();
    statusMessage(why);
  }
}

/** A row comes with its own kind of answer alone; the others come when the list is about to open. */
export function offerAnswerKinds({ target }) {
  if (target.matches?.('.answer-kind') && target.options.length === 1) {
    const own = target.value;
    target.replaceChildren(document.getElementById('answer-kinds').content.cloneNode(true));
    target.value = own;
  }
}

/** Each choice knows what its question asks for. */
export function showAsked(sheet) {
  let asks = '';
  sheet.querySelectorAll('.row-line').forEach((row) => {
    const { kind } = row.dataset;
    if (['QUESTION', 'DIRECTION', 'PASSAGE', 'LABEL'].includes(kind)) {
      asks = row.dataset.asks ?? '';
    }
    row.dataset.under = kind === 'CHOICE' ? asks : '';
  });
}

/** How all questions are asked is saved as it is chosen. */
function watchManner(form) {
  form?.addEventListener('submit', (event) => event.preventDefault());
  form?.addEventListener('change', async () => {
    const state = document.getElementById('answering-saved');
    const values = new URLSearchParams(new FormData(form));
    ['tries', 'seconds'].forEach((name) => values.set(name, Math.max(0, Math.round(Number(values.get(name)) || 0))));
    try {
      await send('PUT', form.dataset.save, values);
      state.textContent = say('savedNow');
    } catch (failure) {
      state.textContent = '';
      tellOf(failure);
    }
  });
}

const picture = document.getElementById('line-picture');
let shown = null;

/** The picture of a question or a choice is sent as it is. */
async function bringPicture() {
  const [file] = picture.files;
  picture.value = '';
  if (!file || !shown) {
    return;
  }
  try {
    const response = await send('PUT', address(shown, 'picture'), file, { 'Content-Type': 'application/octet-stream' });
    place(await response.text());
    document.body.dispatchEvent(new CustomEvent('script-changed', { detail: 'shape' }));
  } catch (failure) {
    if (failure.status === UNPROCESSABLE || failure.status === 413) {
      statusMessage(say('noPicture'));
    } else {
      tellOf(failure);
    }
  }
}

export function watchQuestions(sheet) {
  picture?.addEventListener('change', bringPicture);
  watchManner(document.getElementById('answering'));
  sheet.addEventListener('change', ({ target }) => {
    const row = target.closest('.row-line');
    if (target.matches('.answer-kind')) {
      change(row, 'question/kind', target.value ? { by: target.value } : {}, '.answer-kind');
    } else if (target.matches('.points')) {
      change(row, 'question/points', { points: Math.max(0, Math.round(Number(target.value) || 0)) }, '.points');
    } else if (target.matches('.required')) {
      change(row, 'question/required', { required: target.checked }, '.required');
    } else if (target.matches('.key')) {
      saveKey(target);
    } else if (target.closest('.ways-of')) {
      const ways = [...target.closest('.ways-of').querySelectorAll(':checked')].map((box) => ['ways', box.value]);
      change(row, 'question/ways', ways.length ? ways : [['ways', '']], `.ways-of [value=${target.value}]`);
    } else if (target.closest('.pair')) {
      change(row, 'pair', { pair: Math.max(0, Math.round(Number(target.value) || 0)) }, '.pair input');
    }
  });
  sheet.addEventListener('click', ({ target }) => {
    const row = target.closest('.row-line');
    if (target.closest('.right')) {
      turnRight(row);
    } else if (target.closest('.show-picture')) {
      shown = row;
      picture.click();
    } else if (target.closest('.hide-picture')) {
      perform('DELETE', address(row, 'picture'));
    }
  });
  sheet.addEventListener('keydown', (event) => {
    const row = event.target.closest('.row-line');
    if (event.altKey && !event.ctrlKey && !event.metaKey && event.code === 'KeyR' && row?.dataset.kind === 'CHOICE') {
      event.preventDefault();
      turnRight(row);
    } else if (event.key === 'Enter' && event.target.matches('.key, .points, .pair input')) {
      event.preventDefault();
      event.target.dispatchEvent(new Event('change', { bubbles: true }));
    }
  });
  ['script-changed', 'rows-came'].forEach((event) => document.body.addEventListener(event, () => showAsked(sheet)));
}
