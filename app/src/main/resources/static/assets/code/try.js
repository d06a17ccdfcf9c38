// Sends a sheet, or a photo of one, and shows what its codes say.
import { send, Answer } from '../platform/requests.js';
import { say } from '../platform/words.js';

const at = (id) => document.getElementById(id);

['codes-file', 'codes-camera'].forEach((id) => at(id).addEventListener('change', async ({ target }) => {
  const file = target.files[0];
  if (!file) {
    return;
  }
  at('try-state').textContent = say('looking', { name: file.name });
  try {
    const response = await send('PUT', target.dataset.to, file);
    at('tried').innerHTML = await response.text();
    at('try-state').textContent = say('done', { name: file.name });
  } catch (failure) {
    at('try-state').textContent = failure instanceof Answer ? await failure.response.text() : say('failed');
  }
  target.value = '';
}));
