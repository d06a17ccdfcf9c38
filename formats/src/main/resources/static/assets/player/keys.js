// The keys of a student's page: space plays, arrows go from word to word in a line that was begun, else from page to page.
import { zoomBy, zoomed } from './zoom.js';

const WORDS = { ArrowRight: 1, ArrowLeft: -1 };

const bare = ({ altKey, ctrlKey, metaKey }) => !altKey && !ctrlKey && !metaKey;

/** Arrows turn pages unless they move something else: the place in the sound, or a page that is larger than the window. */
function turnOf(event) {
  const arrows = bare(event) && !zoomed() && !event.target.closest('input');
  return { PageDown: 'next', PageUp: 'back', ...(arrows ? { ArrowRight: 'next', ArrowLeft: 'back' } : {}) }[event.key];
}

/**
 * @param player { toggle(), stepWord(by) which answers whether there is such a word, begunLine() the id of the line that was
 *   begun and is chosen } @param switches how many are used in place of a pointer: then arrows do nothing
 */
export function watchKeys(player, switches) {
  document.addEventListener('keydown', (event) => {
    const { key, target } = event;
    if (target.closest('textarea, input:not([type=range])')) {
      return;
    }
    const inLine = target.closest('#current') || target.closest('.spot')?.dataset.line === player.begunLine();
    const turns = switches === 0 || !(key in WORDS) ? turnOf(event) : null;
    if (key === ' ' && !target.closest('button, a, input') && document.getElementById('play')) {
      event.preventDefault();
      player.toggle();
    } else if (WORDS[key] && bare(event) && inLine && switches === 0 && player.begunLine() && player.stepWord(WORDS[key])) {
      event.preventDefault();
    } else if (turns) {
      document.querySelector(`[data-turn=${turns}]`)?.click();
    } else if (!event.ctrlKey && !event.metaKey && ['+', '=', '-', '0'].includes(key) && !target.closest('input')) {
      zoomBy({ '-': -1, 0: 0 }[key] ?? 1);
    }
  });
}
