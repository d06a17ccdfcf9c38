// A picture as an answer: a file, or what the camera sees.
import { ownerHeader } from '../platform/requests.js';
import { say } from '../platform/words.js';

const LARGEST = 20 * 2 ** 20;

export function bindPicture(place, answering) {
  const photo = place.querySelector('.photo');
  if (!photo) {
    return;
  }
  const { question } = place.dataset;
  const image = photo.querySelector('img');
  const outcome = place.querySelector('.outcome');
  const show = (source) => {
    image.hidden = !source;
    image.src = source ?? '';
    image.alt = source ? say('answer.pictureKept') : '';
  };
  const kept = answering.held(question).given.picture;
  show(kept && `${answering.recordings}/answer-picture/${kept}`);
  photo.querySelector('input').addEventListener('change', async ({ target }) => {
    const [file] = target.files;
    if (!file) {
      return;
    }
    if (file.size > LARGEST) {
      outcome.textContent = say('answer.tooLarge');
      return;
    }
    if (!answering.kept) {
      show(URL.createObjectURL(file));
      return;
    }
    photo.classList.add('sending');
    try {
      const response = await fetch(`${answering.recordings}/answer-picture?line=${question}`, { method: 'PUT', body: file, headers: { 'Content-Type': file.type || 'application/octet-stream', ...ownerHeader() } });
      if (response.ok) {
        const { hash } = await response.json();
        answering.give(question, { picture: hash });
        show(`${answering.recordings}/answer-picture/${hash}`);
        outcome.textContent = say('answer.pictureKept');
      } else {
        outcome.textContent = say('answer.tooLarge');
      }
    } catch {
      outcome.textContent = say('noConnection');
    } finally {
      photo.classList.remove('sending');
      target.value = '';
    }
  });
}
