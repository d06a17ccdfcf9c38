// The door: a child presses herself, hears her name, and goes on to her key. What the child before her left is forgotten.
import { forgetVisit } from './forget.js';
import { sayName } from './names.js';
import { isInside } from './whose-page.js';

forgetVisit();
isInside('');
document.querySelectorAll('.child-card').forEach((card) => card.addEventListener('click', async (event) => {
  if (event.ctrlKey || event.metaKey || event.shiftKey || !card.dataset.name) {
    return;
  }
  event.preventDefault();
  card.classList.add('said');
  await sayName(card.dataset.name);
  window.location.assign(card.href);
}));
// Back from the key: nobody is chosen any more.
window.addEventListener('pageshow', () => document.querySelectorAll('.said').forEach((card) => card.classList.remove('said')));
