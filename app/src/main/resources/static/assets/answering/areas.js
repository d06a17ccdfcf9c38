// Places on the picture: each press leaves a ring of ink; the last one can be taken back.
const ACROSS = 24;
const MOST = 100;

export function bindAreas(place, answering) {
  const board = document.querySelector('.board');
  if (!board) {
    return;
  }
  const { question } = place.dataset;
  const pressed = () => answering.held(question).given.pressed ?? [];

  function show() {
    board.querySelectorAll(`.pressed[data-question="${question}"]`).forEach((mark) => mark.remove());
    pressed().forEach(({ x, y }) => {
      const mark = document.createElement('i');
      mark.className = 'pressed';
      mark.dataset.question = question;
      mark.style.left = `${x * 100}%`;
      mark.style.top = `${y * 100}%`;
      board.append(mark);
    });
    place.querySelector('[data-press=undo]').disabled = pressed().length === 0;
  }

  const give = (points) => {
    answering.give(question, { pressed: points });
    show();
  };
  board.classList.add('to-press');
  board.tabIndex = 0;
  let cursor = { x: 0.5, y: 0.5 };
  board.addEventListener('click', (event) => {
    if (event.target.closest('button, a, .answer') || pressed().length >= MOST) {
      return;
    }
    const box = board.getBoundingClientRect();
    give([...pressed(), { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }]);
  });
  // By keys: arrows move a cross over the picture, enter presses there.
  board.addEventListener('keydown', (event) => {
    const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[event.key];
    if (event.target !== board || !by && event.key !== 'Enter') {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    if (by) {
      const held = (share) => Math.max(0, Math.min(1, share));
      cursor = { x: held(cursor.x + by[0] / ACROSS), y: held(cursor.y + by[1] / ACROSS) };
      board.style.setProperty('--cross-x', `${cursor.x * 100}%`);
      board.style.setProperty('--cross-y', `${cursor.y * 100}%`);
      board.classList.add('by-keys');
    } else if (pressed().length < MOST) {
      give([...pressed(), cursor]);
    }
  });
  place.querySelector('[data-press=undo]').addEventListener('click', () => give(pressed().slice(0, -1)));
  show();
}
