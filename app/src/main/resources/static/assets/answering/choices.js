// One choice, or several: a ring beside the words is pressed; the choice is seen by its ink, and said.
import { say } from '../platform/words.js';
import { promptOf, sayAll } from './voice.js';

const picksOf = (question) => [...document.querySelectorAll(`.pick[data-question="${question}"]`)];
const soundOf = (choice) => document.querySelector(`.spot[data-line="${choice}"]`)?.dataset.sound;

export function showChosen(question, chosen) {
  picksOf(question).forEach((pick) => pick.setAttribute('aria-checked', chosen.includes(pick.dataset.choice)));
}

/** The way of a choice that leads on itself. */
const wayOf = (choice) => document.querySelector(`a.jump[data-choice="${choice}"]`);

/** @returns whether it is chosen now */
function choose(pick, answering) {
  const { question, choice } = pick.dataset;
  const before = answering.held(question).given.chosen ?? [];
  const one = pick.getAttribute('role') === 'radio';
  const was = before.includes(choice);
  const chosen = one ? [choice] : was ? before.filter((each) => each !== choice) : [...before, choice];
  showChosen(question, chosen);
  answering.give(question, { chosen });
  return one || !was;
}

function press(pick, answering) {
  const { question, choice } = pick.dataset;
  const isChosen = choose(pick, answering);
  const way = isChosen ? wayOf(choice) : null;
  if (way) {
    way.click();
    return;
  }
  const words = pick.getAttribute('aria-label').replace(/^[^:]*: /, '');
  const place = document.querySelector(`.answer[data-question="${question}"] .outcome`);
  if (place) {
    place.textContent = say(isChosen ? 'answer.chosen' : 'answer.unchosen', { words });
  }
  if (isChosen) {
    sayAll(promptOf('YOU_CHOSE'), soundOf(choice));
  }
}

/** Arrows go from choice to choice. */
function step(event) {
  const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
  const pick = event.target.closest('.pick');
  if (!by || !pick) {
    return;
  }
  event.preventDefault();
  event.stopPropagation();
  const all = picksOf(pick.dataset.question).filter((each) => each.checkVisibility());
  all[(all.indexOf(pick) + by + all.length) % all.length].focus();
}

/** A way that is pressed where it stands chooses as well. */
export function bindLeading(answering) {
  document.querySelectorAll('a.jump[data-choice]').forEach((way) => way.addEventListener('click', ({ isTrusted }) => {
    const pick = document.querySelector(`.pick[data-choice="${way.dataset.choice}"]`);
    if (isTrusted && pick && pick.getAttribute('aria-checked') !== 'true') {
      choose(pick, answering);
    }
  }));
}

export function bindChoices(place, answering) {
  place?.querySelectorAll('.pick').forEach((pick) => {
    pick.addEventListener('click', () => press(pick, answering));
    pick.addEventListener('keydown', step);
    showChosen(pick.dataset.question, answering.held(pick.dataset.question).given.chosen ?? []);
  });
}
