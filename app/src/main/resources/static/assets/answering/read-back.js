// What a child wrote, said to her: each of her words that is said somewhere in the lesson, one after another, lighting up. Words
// that nobody says there stay silent; nothing is corrected.
import { WordTimes } from '../player/word-times.js';
import { sayParts } from './voice.js';

const WORD = /[\p{L}\p{M}\p{N}]+(?:['’ʼ][\p{L}\p{M}\p{N}]+)*/gu;
const times = new WordTimes();
const plain = (word) => word.normalize('NFC').replace(/['’ʼ]/g, '').toLowerCase();

/** The words that are said on this page: sound and span of each. */
async function saidHere() {
  const said = new Map();
  const spots = [...document.querySelectorAll('.spot[data-sound]')].filter((spot) => spot.dataset.words || spot.dataset.said);
  const all = await Promise.all(spots.map((spot) => times.of(spot).catch(() => [])));
  all.forEach((words, i) => words.forEach(({ text, span }) => {
    const word = plain(text.match(WORD)?.join('') ?? '');
    if (word && span.endMs > span.startMs && !said.has(word)) {
      said.set(word, { sound: spots[i].dataset.sound, span });
    }
  }));
  return said;
}

let ofLesson = null;

/** Those of the whole lesson; where it is only tried, or can't be asked, of this page. */
async function saidWords({ kept, recordings }) {
  if (kept && !ofLesson) {
    const response = await fetch(`${recordings}/said-words`).catch(() => null);
    ofLesson = response?.ok
      ? new Map(Object.entries(await response.json()).map(([word, { soundHash, span }]) => [word, { sound: `${recordings}/sound/${soundHash}.mp3`, span }]))
      : null;
  }
  return ofLesson ?? saidHere();
}

/** The words as she wrote them, each in an element of its own; answers those that can be said. */
function show(place, written, known) {
  const parts = [];
  const said = [];
  let at = 0;
  for (const { 0: word, index } of written.matchAll(WORD)) {
    const span = document.createElement('span');
    span.textContent = word;
    parts.push(written.slice(at, index), span);
    at = index + word.length;
    if (known.has(plain(word))) {
      said.push({ ...known.get(plain(word)), of: span });
    } else {
      span.className = 'unsaid';
    }
  }
  place.replaceChildren(...parts, written.slice(at));
  return said;
}

export function bindReadBack(place, answering) {
  const field = place.querySelector('.written');
  const button = place.querySelector('.read-back');
  if (!field || !button) {
    return;
  }
  const back = place.querySelector('.said-back');
  let said = null;
  const look = async () => {
    back.hidden = true;
    said ??= field.value.trim() ? saidWords(answering) : null;
    const words = await said;
    button.hidden = !words || ![...field.value.matchAll(WORD)].some(([word]) => words.has(plain(word)));
  };
  field.addEventListener('input', look);
  button.addEventListener('click', async () => {
    const words = show(back, field.value, await said);
    back.hidden = false;
    await sayParts(words, (now) => words.forEach((each) => each.of.classList.toggle('lit', each === now)));
  });
  look();
}
