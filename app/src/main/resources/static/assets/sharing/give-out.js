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

async function save(what, back) {
  try {
    await send('PUT', what);
    at('how-saved').textContent = say('saved');
  } catch (failure) {
    back();
    at('how-saved').textContent = say('notSaved');
  }
}

at('words-shown')?.addEventListener('change', ({ target }) => save(`${target.dataset.save}?shown=${target.checked}`, () => {
  target.checked = !target.checked;
}));

let lang = at('lang')?.value;
at('lang')?.addEventListener('change', async ({ target }) => {
  await save(`${target.dataset.save}?lang=${encodeURIComponent(target.value)}`, () => {
    target.value = lang;
  });
  lang = target.value;
});
