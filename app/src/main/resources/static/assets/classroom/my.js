// What there is to do: each is pressed, and said.
import { sendWaiting } from '../answering/answer-outbox.js';
import { askStillYou } from '../player/still-you.js';

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

sendWaiting(document.getElementById('home').dataset.owner);
askStillYou();
