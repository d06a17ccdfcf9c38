// Puts what is placed on a page where it belongs: the page fits the screen both ways, and its marks go with it.

const MARGIN = 0.16;

export function layOut() {
  const staging = document.querySelector('.staging');
  if (!staging) {
    return;
  }
  const board = staging.querySelector('.board');
  const { aspect } = staging.dataset;
  board.style.width = `calc(var(--zoom, 1) * min(100cqw, ${aspect} * 100cqh))`;
  board.style.aspectRatio = aspect;
  board.querySelectorAll(':scope > ul > li').forEach((thing) => {
    const { x, y, w, h } = thing.dataset;
    const mark = thing.querySelector('.spot .ring-mark');
    thing.style.left = `${x * 100}%`;
    thing.style.top = `${y * 100}%`;
    thing.style.width = `${w * 100}%`;
    thing.style.height = `${h * 100}%`;
    if (thing.querySelector('.spot:not(.area)') && x < MARGIN) {
      // A mark in the margin that is drawn larger than it was placed grows away from the words.
      thing.style.left = `calc(${(Number(x) + w / 2) * 100}% - max(28px, ${(w / 2) * 100}%))`;
    }
    const tab = thing.dataset.tab?.split(' ').map((share) => `${share * 100}%`);
    if (tab) {
      [mark.style.left, mark.style.top, mark.style.width, mark.style.height] = tab;
    }
    const text = thing.querySelector('.text[data-share]');
    if (text) {
      text.style.fontSize = `${text.dataset.share * 100}cqh`;
    }
  });
}
