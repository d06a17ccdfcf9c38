// A list of children is sent as it is, and looked over by the server.
import { Answer, send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { served } from '../platform/served.js';

const file = document.getElementById('file');
const said = document.getElementById('said');

async function take(chosen) {
  said.textContent = say('reading');
  try {
    const answer = await send('PUT', file.dataset.at, chosen, { 'Content-Type': 'application/octet-stream' });
    window.location.assign(served((await answer.json()).at));
  } catch (failure) {
    if (failure instanceof Answer && failure.status === 422) {
      said.textContent = (await failure.response.json()).why;
    } else {
      said.textContent = '';
      tellOf(failure);
    }
  }
}

document.getElementById('choose').addEventListener('click', () => file.click());
file.addEventListener('change', () => {
  if (file.files[0]) {
    take(file.files[0]);
  }
  file.value = '';
});
