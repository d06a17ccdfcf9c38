// What is typed: kept a moment after the last key, and when the page is left.
import { wasTyped } from './early.js';

const PAUSE_MS = 500;

const unsaved = new Map();

/** Whether something was typed that isn't given as yet. */
export const isTyping = () => unsaved.size > 0;

export function flushTyped() {
  [...unsaved.values()].forEach((save) => save());
}

export function bindTyped(place, answering) {
  const { question } = place.dataset;
  const field = place.querySelector('.written');
  if (!field) {
    return;
  }
  let timer = 0;
  const early = wasTyped(field);
  if (!early) {
    field.value = answering.held(question).given.typed ?? '';
  }
  const save = () => {
    clearTimeout(timer);
    unsaved.delete(question);
    if (field.value !== (answering.held(question).given.typed ?? '')) {
      document.querySelectorAll(`.answer[data-question="${question}"] .written`).forEach((other) => {
        if (other !== field) {
          other.value = field.value;
        }
      });
      answering.give(question, { typed: field.value });
    }
  };
  field.addEventListener('input', () => {
    clearTimeout(timer);
    unsaved.set(question, save);
    answering.typing();
    timer = setTimeout(save, PAUSE_MS);
  });
  field.addEventListener('change', save);
  if (early) {
    save();
  }
}
