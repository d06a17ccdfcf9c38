// Lines are dragged by their grip, within a page and to other pages.
import { moveTo } from './actions.js';

export function watchDragging() {
  document.querySelectorAll('.lines').forEach((list) => {
    let from = null;
    window.Sortable.create(list, {
      group: 'lines',
      handle: '.grip',
      animation: window.matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 120,
      ghostClass: 'dragged',
      onStart: ({ item }) => { from = { list, next: item.nextElementSibling }; },
      onEnd: async ({ item }) => {
        if (item.parentElement === from.list && item.nextElementSibling === from.next) {
          return;
        }
        if (await moveTo(item, item.parentElement.dataset.page, item.previousElementSibling) === null) {
          from.list.insertBefore(item, from.next);
        }
      },
    });
  });
}
