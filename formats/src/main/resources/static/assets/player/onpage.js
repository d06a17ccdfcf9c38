// Puts what is placed on a page where it belongs: the page fits the screen both ways, and its marks go with it.

const MARGIN = 0.16;
/** How large what is pressed is at least, and how far apart two of them are, in px. */
const LEAST = 56;
const GAP = 3;

const watch = new ResizeObserver(([{ target }]) => keepApart(target));

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
    thing.style.setProperty('--w', w);
    thing.style.setProperty('--h', h);
    if (thing.querySelector('.spot:not(.area, .beside-way)') && x < MARGIN) {
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
  watch.observe(board);
}

/** What leads on is at least as large as a finger, but never so large that another way is pressed by it. */
function keepApart(board) {
  const ways = [...board.querySelectorAll(':scope > ul > li:has(> .jump)')];
  const middle = ({ dataset }) => ({ x: dataset.x * board.clientWidth, y: dataset.y * board.clientHeight });
  ways.forEach((way) => {
    const here = middle(way);
    let [wide, high] = [LEAST, LEAST];
    ways.filter((other) => other !== way).forEach((other) => {
      const there = middle(other);
      const [across, down] = [Math.abs(there.x - here.x), Math.abs(there.y - here.y)];
      if (across < LEAST && down < LEAST) {
        if (across > down) {
          wide = Math.min(wide, across - GAP);
        } else {
          high = Math.min(high, down - GAP);
        }
      }
    });
    way.style.minWidth = `${Math.max(0, wide)}px`;
    way.style.minHeight = `${Math.max(0, high)}px`;
  });
}
