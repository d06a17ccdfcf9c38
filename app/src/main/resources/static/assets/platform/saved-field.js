// A single field that saves itself as it is typed, such as a title: what it holds goes to its address (data-save), under its
// name.
import { send } from './requests.js';

const TYPING_PAUSE_MS = 400;
const RETRY_MS = 3000;

/** @param show told 'saving', 'saved' or 'notSaved' as things go */
export function watchField(field, show) {
  let timer = 0;
  const put = async () => {
    try {
      await send('PUT', field.dataset.save, new URLSearchParams({ [field.name]: field.value }));
      show('saved');
    } catch (failure) {
      show('notSaved');
      timer = setTimeout(put, RETRY_MS);
    }
  };
  field.addEventListener('input', () => {
    show('saving');
    clearTimeout(timer);
    timer = setTimeout(put, TYPING_PAUSE_MS);
  });
}
