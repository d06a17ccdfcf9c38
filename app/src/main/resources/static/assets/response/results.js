// The table of answers: each cell opens its answer; arrows go from cell to cell, also while one is open.
import { served } from '../platform/served.js';
const dialog = document.getElementById('opened');
const { assignment } = document.querySelector('.results').dataset;
let at = null;

const cellOf = ({ student, question }) => document.querySelector(`.cell[data-student="${student}"][data-question="${question}"]`);

async function open(cell) {
  at = { ...cell.dataset };
  const response = await fetch(served(`/assignments/${assignment}/answers/${at.student}/${at.question}`));
  if (!response.ok || response.redirected) {
    window.location.reload();
    return;
  }
  dialog.innerHTML = await response.text();
  htmx.process(dialog);
  if (!dialog.open) {
    dialog.showModal();
  }
  dialog.querySelector('.listen, input, .close')?.focus();
}

/** The cell beside another one. */
function beside(cell, key) {
  const column = [...cell.closest('tr').children].indexOf(cell.closest('td'));
  const row = cell.closest('tr');
  const next = { ArrowLeft: row.children[column - 1], ArrowRight: row.children[column + 1], ArrowUp: row.previousElementSibling?.children[column], ArrowDown: row.nextElementSibling?.children[column] }[key];
  return next?.querySelector('.cell');
}

document.addEventListener('click', ({ target }) => {
  const cell = target.closest('.cell');
  if (cell) {
    open(cell);
  } else if (target.closest('.opened .close')) {
    dialog.close();
  }
});

document.addEventListener('keydown', (event) => {
  const here = dialog.open ? at && cellOf(at) : event.target.closest?.('.cell');
  if (!here || event.target.closest?.('input') || event.ctrlKey || event.metaKey || event.altKey) {
    return;
  }
  const next = beside(here, event.key);
  if (next) {
    event.preventDefault();
    if (dialog.open) {
      open(next);
    } else {
      next.focus();
    }
  }
});

dialog.addEventListener('close', () => at && cellOf(at)?.focus());

// Rows come anew every few seconds: the cell that has the focus keeps it.
document.body.addEventListener('htmx:beforeSwap', ({ detail }) => {
  const focused = document.activeElement?.closest?.('.cell');
  if (detail.target.id === 'table' && focused) {
    const place = { ...focused.dataset };
    detail.target.addEventListener('htmx:afterSwap', () => cellOf(place)?.focus(), { once: true });
  }
});
