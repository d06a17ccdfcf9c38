// Questions from a file: it is looked over by the server first, and sent again when it is taken.
import { Answer, send } from '../platform/requests.js';
import { served } from '../platform/served.js';
import { tellOf } from '../platform/note.js';

const form = document.querySelector('form.paste');
const field = document.getElementById('question-file');
const reading = document.getElementById('reading');
let chosen = null;

const put = (address) => send('PUT', `${address}${address.includes('?') ? '&' : '?'}name=${encodeURIComponent(chosen.name)}`, chosen, { 'Content-Type': 'application/octet-stream' });

async function sent(address) {
  try {
    return await put(address);
  } catch (failure) {
    if (failure instanceof Answer && [413, 422].includes(failure.status)) {
      reading.innerHTML = await failure.response.text();
      chosen = null;
    } else {
      tellOf(failure);
    }
    return null;
  }
}

document.getElementById('choose-questions').addEventListener('click', () => field.click());
field.addEventListener('change', async () => {
  [chosen] = field.files;
  field.value = '';
  const response = chosen && await sent(`${form.dataset.questions}/reading`);
  if (response) {
    reading.innerHTML = await response.text();
  }
});
form.elements.text.addEventListener('input', () => { chosen = null; });
form.addEventListener('submit', async (event) => {
  if (chosen) {
    event.preventDefault();
    const response = await sent(`${form.dataset.questions}?page=${form.elements.page.value}`);
    const to = response?.headers.get('X-Goes-To');
    if (to) {
      window.location.assign(served(to));
    }
  }
});
