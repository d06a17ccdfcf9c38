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

/** A choice that is saved at once; what was chosen before is back when it can't be. */
function choice(id, name) {
  let kept = at(id)?.value;
  at(id)?.addEventListener('change', async ({ target }) => {
    await save(`${target.dataset.save}?${name}=${encodeURIComponent(target.value)}`, () => {
      target.value = kept;
    });
    kept = target.value;
  });
}
choice('lang', 'lang');
choice('words-lit', 'lit');
