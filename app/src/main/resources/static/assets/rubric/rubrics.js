// Brings a table with a rubric.
import { send, Answer } from '../platform/requests.js';

const file = document.getElementById('rubric-file');
const state = document.getElementById('rubric-state');

file.addEventListener('change', async () => {
  if (!file.files[0]) {
    return;
  }
  try {
    await send('PUT', `${file.dataset.to}?name=${encodeURIComponent(file.files[0].name)}`, file.files[0]);
    window.location.reload();
  } catch (failure) {
    state.textContent = failure instanceof Answer && failure.status === 422 ? (await failure.response.json()).why : String(failure.message);
  }
  file.value = '';
});
