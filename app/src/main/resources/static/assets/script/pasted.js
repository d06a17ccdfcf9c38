// What was understood of pasted text is put right where it is looked over: kinds, cuts, joins, the right choices.
import { say } from '../platform/words.js';

const form = document.querySelector('form.paste');
const { text, changes } = form.elements;
const reading = document.getElementById('reading');
const LISTS = { kind: 'kinds', 'answer-kind': 'answer-kinds' };
let focus = null;

/** Reads the text again; the focus stays where it is. */
function readAgain(row, part) {
  focus = row && { at: [...row.parentElement.children].indexOf(row), part };
  text.dispatchEvent(new Event('put-right'));
}

function change(deed, row, value, part) {
  changes.value += `${deed} ${row.dataset.name} ${value}`.trim() + '\n';
  readAgain(row, part);
}

/** The words of a line, each of which can begin a new one. */
function offerCuts(row) {
  const said = row.querySelector('.said');
  const words = said.textContent.split(' ');
  const hint = document.createElement('small');
  hint.className = 'hint-text';
  hint.textContent = say('cutWhere');
  const buttons = words.map((word, at) => {
    const part = document.createElement(at ? 'button' : 'span');
    part.textContent = word;
    if (at) {
      part.type = 'button';
      part.className = 'begins';
      part.setAttribute('aria-label', say('cutBefore', { word }));
      part.addEventListener('click', () => change('CUT', row, at, '.cut'));
    }
    return part;
  });
  said.replaceChildren(...buttons.flatMap((each) => [each, ' ']), hint);
  said.addEventListener('keydown', ({ key }) => {
    if (key === 'Escape') {
      said.replaceChildren(words.join(' '));
      row.querySelector('.cut').focus();
    }
  });
  said.querySelector('button')?.focus();
}

function offer({ target }) {
  const list = LISTS[target.className];
  if (list && target.options.length === 1) {
    const own = target.value;
    target.replaceChildren(document.getElementById(list).content.cloneNode(true));
    target.value = own;
  }
}

reading.addEventListener('pointerdown', offer);
reading.addEventListener('focusin', offer);
reading.addEventListener('change', ({ target }) => {
  if (LISTS[target.className]) {
    change(target.className === 'kind' ? 'KIND' : 'ANSWERED', target.closest('li'), target.value, `.${target.className}`);
  }
});
reading.addEventListener('click', ({ target }) => {
  const row = target.closest('li[data-name]');
  if (target.closest('.right')) {
    change('RIGHT', row, '', '.right');
  } else if (target.closest('.join')) {
    change('JOIN', row, '', '.join');
  } else if (target.closest('.cut')) {
    offerCuts(row);
  } else if (target.closest('.take-back')) {
    changes.value = changes.value.trimEnd().split('\n').slice(0, -1).map((each) => `${each}\n`).join('');
    readAgain(null);
  }
});
reading.addEventListener('htmx:afterSwap', () => {
  const rows = reading.querySelectorAll('.pasted-lines li');
  const row = focus && rows[Math.min(focus.at, rows.length - 1)];
  (row?.querySelector(focus.part) ?? row?.querySelector('.cut'))?.focus();
  focus = null;
});
