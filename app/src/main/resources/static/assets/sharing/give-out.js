// Copies the link and the piece of HTML; where the browser doesn't let a page copy, they are selected for the keyboard.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';

const at = (id) => document.getElementById(id);

function copies(button, field) {
  at(button)?.addEventListener('click', async () => {
    at(field).select();
    try {
      await navigator.clipboard.writeText(at(field).value);
      at('copied').textContent = say('copied');
    } catch (refused) {
      at('copied').textContent = say('copyByHand');
    }
  });
}

copies('copy', 'link');
copies('copy-snippet', 'snippet');

at('words-shown')?.addEventListener('change', async ({ target }) => {
  try {
    await send('PUT', `${target.dataset.save}?shown=${target.checked}`);
    at('how-saved').textContent = say('saved');
  } catch (failure) {
    target.checked = !target.checked;
    at('how-saved').textContent = say('notSaved');
  }
});
