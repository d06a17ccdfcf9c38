// The menu of one line.
import { say } from '../platform/words.js';
import { moveTake } from './move-take.js';
import { join, makeStanding, own, setIcon, setLabel, silence, setLang, statusMessage, split, step, steps } from './actions.js';
import { served } from '../platform/served.js';

const menu = document.getElementById('line-menu');
let row = null;
let opener = null;
let cursor = null;

const item = (deed) => menu.querySelector(`[data-deed="${deed}"]`);

function open(button) {
  opener = button;
  row = button.closest('.row-line');
  const area = row.querySelector('textarea');
  cursor = area.selectionStart > 0 && area.selectionStart < area.value.length ? area.selectionStart : null;
  item('join').disabled = !row.previousElementSibling;
  item('carry').disabled = !row.querySelector('[data-take]');
  const { standing } = row.dataset;
  const shelf = document.querySelector('.lesson').dataset.shelf === 'true';
  const direction = row.dataset.kind === 'DIRECTION' && !standing;
  item('steps').hidden = !direction;
  menu.querySelector('.icons').hidden = !direction;
  menu.querySelector('[data-label]').value = row.dataset.label ?? '';
  menu.querySelector('[data-lang]').value = row.dataset.lang ?? '';
  item('silence').hidden = !row.querySelector('[data-take]');
  item('own').hidden = !standing;
  item('standing').hidden = Boolean(standing) || shelf;
  menu.querySelector('.library-link').hidden = shelf;
  menu.querySelector('.library-link').href = served(`/library?for=${row.dataset.line}`);
  menu.querySelector('.read-link').href = served(`/lessons/${document.querySelector('.lesson').dataset.lesson}/read?line=${row.dataset.line}`);
  const code = menu.querySelector('.code-form input[name=line]');
  if (code) {
    code.value = row.dataset.line;
  }
  const take = row.querySelector('[data-take]')?.dataset.take;
  menu.querySelector('.bench-link').hidden = !take;
  menu.querySelector('.bench-link').href = served(`/takes/${take}/bench`);
  menu.querySelector('.times-link').hidden = !take;
  menu.querySelector('.times-link').href = row.querySelector('.record-line').href.replace(/recorder$/, 'word-times');
  menu.querySelector('.takes-link').href = row.querySelector('.record-line').href;
  menu.showPopover();
  const at = button.getBoundingClientRect();
  const size = menu.getBoundingClientRect();
  menu.style.left = `${Math.max(8, Math.min(at.right, window.innerWidth - 8) - size.width)}px`;
  const below = at.bottom + size.height <= window.innerHeight;
  menu.style.top = `${Math.max(8, below ? at.bottom : Math.min(at.top, window.innerHeight - 8) - size.height)}px`;
  button.setAttribute('aria-expanded', 'true');
  menu.querySelector('[role=menuitem]:not(:disabled, [hidden])').focus();
}

function doIt(deed) {
  const actions = {
    up: () => step(row, false),
    down: () => step(row, true),
    split: () => (cursor === null ? statusMessage(say('cursorFirst')) : split(row, cursor)),
    join: () => join(row),
    steps: () => steps(row),
    silence: () => silence(row),
    own: () => own(row),
    standing: () => makeStanding(row),
    carry: () => moveTake(row.querySelector('[data-take]')),
  };
  menu.hidePopover();
  actions[deed]?.();
}

export function watchMenu(sheet) {
  sheet.addEventListener('click', ({ target }) => {
    const button = target.closest('.more');
    if (button) {
      open(button);
    }
  });
  menu.addEventListener('toggle', ({ newState }) => {
    if (newState === 'closed') {
      opener?.setAttribute('aria-expanded', 'false');
    }
  });
  menu.addEventListener('click', ({ target }) => {
    const pressed = target.closest('[data-deed]');
    const icon = target.closest('[data-icon]');
    if (icon) {
      menu.hidePopover();
      setIcon(row, icon.dataset.icon);
    } else if (pressed) {
      doIt(pressed.dataset.deed);
    }
  });
  menu.querySelector('[data-label]').addEventListener('change', ({ target }) => {
    menu.hidePopover();
    setLabel(row, target.value);
  });
  menu.querySelector('[data-lang]').addEventListener('change', ({ target }) => {
    menu.hidePopover();
    setLang(row, target.value);
  });
  menu.addEventListener('keydown', (event) => {
    if (event.target.matches('select, input')) {
      return;
    }
    const items = [...menu.querySelectorAll('[role=menuitem]:not(:disabled, [hidden], [hidden] *)')];
    const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (by) {
      event.preventDefault();
      items[(items.indexOf(document.activeElement) + by + items.length) % items.length].focus();
    }
  });
}
