// Pairs: one end is pressed, then the other; a string is drawn between them.
import { say } from '../platform/words.js';
import { sayAll } from './voice.js';

export function bindPairs(place, answering) {
  const holder = place.querySelector('.pairs');
  if (!holder) {
    return;
  }
  const { question } = place.dataset;
  const strings = holder.querySelector('.strings');
  const ends = [...holder.querySelectorAll('.end')];
  const endOf = (id) => ends.find((end) => end.dataset.choice === id);
  const wordsOf = (id) => endOf(id)?.closest('li').querySelector('.words').textContent;
  const pairs = new Map(Object.entries(answering.held(question).given.pairs ?? {}));
  let first = null;

  function draw() {
    const box = holder.getBoundingClientRect();
    const at = (id) => {
      const mark = endOf(id).getBoundingClientRect();
      return { x: mark.left + mark.width / 2 - box.left, y: mark.top + mark.height / 2 - box.top };
    };
    strings.replaceChildren(...[...pairs].filter(([one, other]) => endOf(one) && endOf(other)).map(([one, other]) => {
      const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
      const [a, b] = [at(one), at(other)];
      const bend = Math.abs(a.x - b.x) < 8 ? 60 : (b.x - a.x) / 3;
      path.setAttribute('d', `M${a.x} ${a.y} C${a.x + bend} ${a.y} ${b.x - (Math.abs(a.x - b.x) < 8 ? -60 : bend)} ${b.y} ${b.x} ${b.y}`);
      return path;
    }));
    const joined = new Set([...pairs].flat());
    ends.forEach((end) => {
      end.classList.toggle('joined', joined.has(end.dataset.choice));
      end.setAttribute('aria-pressed', first === end);
    });
  }

  const free = (id) => [...pairs].filter((pair) => pair.includes(id)).forEach(([one]) => pairs.delete(one));

  holder.addEventListener('click', ({ target }) => {
    const end = target.closest('.end');
    if (!end) {
      return;
    }
    if (!first) {
      first = end;
    } else if (first === end) {
      free(end.dataset.choice);
      first = null;
      answering.give(question, { pairs: Object.fromEntries(pairs) });
    } else {
      const [one, other] = [first.dataset.choice, end.dataset.choice];
      free(one);
      free(other);
      pairs.set(one, other);
      first = null;
      place.querySelector('.outcome').textContent = say('answer.joined', { one: wordsOf(one), other: wordsOf(other) });
      answering.give(question, { pairs: Object.fromEntries(pairs) });
      sayAll(...[one, other].map((id) => endOf(id).closest('li').querySelector('.spot')?.dataset.sound));
    }
    draw();
  });
  new ResizeObserver(draw).observe(holder);
  draw();
}
