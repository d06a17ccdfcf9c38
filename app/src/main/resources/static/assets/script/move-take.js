// A take that landed on the wrong line is given to the right one: dragged there, or carried by way of the line's menu.
import { say } from '../platform/words.js';
import { giveTake, statusMessage } from './actions.js';

const sheet = document.querySelector('.sheet');
let carried = null;

function leave() {
  carried?.closest('.row-line')?.classList.remove('giving');
  sheet.classList.remove('carrying');
  sheet.querySelector('.taking')?.classList.remove('taking');
  carried = null;
}

function giveTo(row) {
  const take = carried.dataset.take;
  const same = carried.closest('.row-line') === row;
  leave();
  if (!same) {
    giveTake(take, row);
  }
}

/** From now on the next line that is pressed gets the take. */
export function moveTake(button) {
  leave();
  carried = button;
  button.closest('.row-line').classList.add('giving');
  sheet.classList.add('carrying');
  statusMessage(say('carry'));
  button.focus();
}

export function watchMoving() {
  sheet.addEventListener('click', (event) => {
    const row = carried && event.target.closest('.row-line');
    if (row) {
      event.preventDefault();
      event.stopPropagation();
      statusMessage('');
      giveTo(row);
    }
  }, { capture: true });
  document.addEventListener('keydown', (event) => {
    if (event.key === 'Escape' && carried) {
      statusMessage('');
      leave();
    }
  });
  sheet.addEventListener('dragstart', (event) => {
    const button = event.target.closest?.('[data-take]');
    if (button) {
      carried = button;
      event.dataTransfer.setData('text/plain', button.getAttribute('aria-label'));
      event.dataTransfer.effectAllowed = 'move';
      sheet.classList.add('carrying');
    }
  });
  sheet.addEventListener('dragover', (event) => {
    const row = carried && event.target.closest('.row-line');
    sheet.querySelector('.taking')?.classList.remove('taking');
    if (row) {
      event.preventDefault();
      row.classList.add('taking');
    }
  });
  sheet.addEventListener('drop', (event) => {
    const row = carried && event.target.closest('.row-line');
    if (row) {
      event.preventDefault();
      giveTo(row);
    }
  });
  sheet.addEventListener('dragend', leave);
}
