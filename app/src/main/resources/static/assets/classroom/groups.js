// Children are dragged from group to group; all of a class are taken by one press.
import { send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';

const sheet = document.querySelector('.groups');

function showChosen(list) {
  const there = new Set([...list.children].map((tag) => tag.dataset.student));
  list.closest('form')?.querySelectorAll('[name=student]').forEach((box) => { box.checked = there.has(box.value); });
}

sheet.querySelectorAll('.tags').forEach((list) => {
  let next = null;
  window.Sortable.create(list, {
    group: 'children',
    animation: window.matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 120,
    ghostClass: 'dragged',
    onStart: ({ item }) => { next = item.nextElementSibling; },
    onEnd: async ({ item, from, to }) => {
      if (from === to) {
        return;
      }
      const { student } = item.dataset;
      try {
        await send('POST', sheet.dataset.move, new URLSearchParams({ student, from: from.dataset.group, to: to.dataset.group }));
        // Whoever was in that group already is in it once.
        to.querySelectorAll(`[data-student="${student}"]`).forEach((tag) => tag !== item && tag.remove());
      } catch (failure) {
        from.insertBefore(item, next);
        tellOf(failure);
      }
      [from, to].forEach(showChosen);
    },
  });
});
sheet.addEventListener('click', ({ target }) => {
  if (target.matches('.take-all')) {
    const boxes = [...target.closest('.picks').querySelectorAll('[name=student]')];
    const all = boxes.every((box) => box.checked);
    boxes.forEach((box) => { box.checked = !all; });
  }
});
