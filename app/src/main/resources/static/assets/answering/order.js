// An order: each line is moved up or down by its arrows, or dragged.
import { say } from '../platform/words.js';

export function bindOrder(place, answering) {
  const list = place.querySelector('.order');
  if (!list) {
    return;
  }
  const { question } = place.dataset;
  const rows = () => [...list.children];
  const before = answering.held(question).given.chosen ?? [];
  before.forEach((id) => {
    const row = rows().find((each) => each.dataset.choice === id);
    if (row) {
      list.append(row);
    }
  });
  const told = () => {
    answering.give(question, { chosen: rows().map((row) => row.dataset.choice) });
  };
  const move = (row, to) => {
    const others = rows().filter((each) => each !== row);
    const at = Math.max(0, Math.min(others.length, to));
    if (at === rows().indexOf(row)) {
      return;
    }
    list.insertBefore(row, others[at] ?? null);
    const words = row.querySelector('.words').textContent;
    place.querySelector('.outcome').textContent = say('answer.moved', { words, n: at + 1 });
    told();
  };
  list.addEventListener('click', ({ target }) => {
    const button = target.closest('.move');
    if (button) {
      const row = button.closest('li');
      move(row, rows().indexOf(row) + Number(button.dataset.by));
      button.focus();
    }
  });
  let dragged = null;
  list.addEventListener('pointerdown', ({ target, pointerId }) => {
    const row = target.closest('li');
    if (row && !target.closest('button')) {
      dragged = row;
      row.classList.add('dragged');
      list.setPointerCapture(pointerId);
    }
  });
  list.addEventListener('pointermove', ({ clientY }) => {
    if (dragged) {
      const to = rows().filter((row) => row !== dragged).findIndex((row) => clientY < row.getBoundingClientRect().top + row.offsetHeight / 2);
      move(dragged, to < 0 ? rows().length - 1 : to);
    }
  });
  ['pointerup', 'pointercancel'].forEach((event) => list.addEventListener(event, () => {
    dragged?.classList.remove('dragged');
    dragged = null;
  }));
}
