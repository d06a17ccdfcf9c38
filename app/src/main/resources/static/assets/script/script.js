// The script page: rows that save themselves, lines that can be reshaped, and coverage that follows.
import { watchField } from '../platform/saved-field.js';
import { show, watchWords } from './autosave.js';
import { watchMoving } from './move-take.js';
import { changeKind, watchButtons, watchKeys, watchUndo } from './actions.js';
import { watchFilters } from './filters.js';
import { watchMenu } from './menu.js';
import { offerAnswerKinds, showAsked, watchQuestions } from './questions.js';
import { watchPasting } from './pasting.js';
import { fillRows } from './rows.js';
import { watchDragging } from './sorting.js';
import { showStranded } from './stranded.js';
import { served } from '../platform/served.js';

const REFRESH_PAUSE_MS = 300;

const main = document.querySelector('.lesson');
const sheet = document.querySelector('.sheet');
let refreshing = 0;

/** What a change of shape did is said already; what was typed is said when the rest is fetched. */
function refreshSoon({ detail }) {
  clearTimeout(refreshing);
  refreshing = setTimeout(() => {
    htmx.ajax('GET', served(`/lessons/${main.dataset.lesson}/coverage?typed=${detail !== 'shape'}`), { target: 'body', swap: 'none' });
  }, REFRESH_PAUSE_MS);
}

/** A row comes with its own kind alone; the others come when the list is about to open. */
function offerKinds({ target }) {
  if (target.matches?.('.kind') && target.options.length === 1) {
    const own = target.value;
    target.replaceChildren(document.getElementById('kinds').content.cloneNode(true));
    target.value = own;
  }
}

watchMoving();
watchWords(sheet);
watchKeys(sheet);
watchMenu(sheet);
watchPasting(sheet);
watchQuestions(sheet);
watchButtons(main);
watchUndo();
watchDragging();
fillRows(sheet, main.dataset.lesson);
showStranded(sheet);
['focusin', 'pointerdown'].forEach((event) => sheet.addEventListener(event, offerKinds));
['focusin', 'pointerdown'].forEach((event) => sheet.addEventListener(event, offerAnswerKinds));
sheet.addEventListener('change', ({ target }) => {
  if (target.matches('.kind')) {
    changeKind(target.closest('.row-line'), target.value);
  }
});
document.querySelectorAll('input[data-save]').forEach((field) => watchField(field, show));
watchFilters(document.getElementById('filters'));
document.body.addEventListener('script-changed', refreshSoon);

// What opens above the dock stands clear of it, however many rows it has.
const dock = document.querySelector('.dock');
new ResizeObserver(() => dock.style.setProperty('--dock-height', `${dock.offsetHeight}px`)).observe(dock);

const only = document.querySelectorAll('.row-line textarea');
if (only.length === 1 && only[0].value === '') {
  only[0].focus();
}
showAsked(sheet);
main.dataset.ready = 'yes';
