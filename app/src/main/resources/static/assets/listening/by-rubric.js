// Marking by a rubric: a number key gives the level of the criterion that is next; with the last one it goes on.
import { say } from '../platform/words.js';

const at = (id) => document.getElementById(id);

/** @param post sends the levels of an answer until the server has them @param done told when each criterion has its level */
export function bindRubric({ post, done }) {
  const rows = () => [...at('stop').querySelectorAll('.criterion')];
  const chosen = (row) => [...row.querySelectorAll('.level')].findIndex((level) => level.getAttribute('aria-pressed') === 'true');

  /** The keys belong to the criterion that is next. */
  function follow(after) {
    const all = rows();
    const open = all.find((row, index) => index > after && chosen(row) < 0) ?? all.find((row) => chosen(row) < 0) ?? all[0];
    all.forEach((row) => {
      row.classList.toggle('next', row === open);
      row.querySelectorAll('.level').forEach((level, index) => {
        if (row === open) {
          level.dataset.key = index + 1;
        } else {
          delete level.dataset.key;
        }
      });
    });
  }

  at('stop').addEventListener('stop-shown', () => follow(-1));
  at('stop').addEventListener('click', ({ target }) => {
    const level = target.closest('.level');
    if (!level) {
      return;
    }
    const row = level.closest('.criterion');
    row.querySelectorAll('.level').forEach((each) => each.setAttribute('aria-pressed', each === level));
    const levels = rows().map(chosen);
    const complete = levels.every((each) => each >= 0);
    post(at('stop').querySelector('.stop'), levels, complete);
    if (complete) {
      done();
    } else {
      follow(rows().indexOf(row));
      at('desk-state').textContent = say('nextCriterion');
    }
  });
}
