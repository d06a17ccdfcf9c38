// What there is to do: each is pressed, and said; what is new is said by itself.
import { sendWaiting } from '../answering/answer-outbox.js';
import { askStillYou } from '../player/still-you.js';
import { onlyFor } from './whose-page.js';
import { served } from '../platform/served.js';

let sounding = null;

document.querySelectorAll('.ear').forEach((ear) => ear.addEventListener('click', async () => {
  sounding?.pause();
  if (ear.classList.contains('sounds')) {
    ear.classList.remove('sounds');
    return;
  }
  document.querySelectorAll('.sounds').forEach((each) => each.classList.remove('sounds'));
  ear.classList.add('sounds');
  for (const address of [ear.dataset.title, ear.dataset.direction].filter(Boolean)) {
    const sound = new Audio(address);
    sounding = sound;
    await new Promise((done) => {
      ['ended', 'error', 'pause'].forEach((event) => sound.addEventListener(event, done));
      sound.play().catch(done);
    });
    if (sounding !== sound) {
      return;
    }
  }
  ear.classList.remove('sounds');
}));

const NEWS = served('/assets/player/prompts/something_new.mp3');

/** Something was said to her that she hasn't met: it is said once, as soon as this browser lets a page speak. */
async function sayNews() {
  const news = [...document.querySelectorAll('.spoken-back.is-new')].map(({ href }) => href).join(' ');
  if (news === '' || sessionStorage.getItem('news-said') === news) {
    return;
  }
  const sound = new Audio(NEWS);
  sounding = sound;
  try {
    await sound.play();
    sessionStorage.setItem('news-said', news);
  } catch {
    document.addEventListener('click', ({ target }) => !target.closest('a, button') && sayNews(), { once: true });
  }
}

const { owner } = document.getElementById('home').dataset;

onlyFor(owner);
sayNews();
sendWaiting(owner);
askStillYou();
