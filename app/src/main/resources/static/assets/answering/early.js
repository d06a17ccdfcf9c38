// What a child does before her page knows what she answered before: words she typed are hers, a choice is chosen, and
// what she hands in is handed in, as soon as it can be.

const typedInto = new Set();
const pressed = [];
// A browser puts old words back into a page that is opened again, and into no other.
const isFresh = performance.getEntriesByType('navigation')[0]?.type === 'navigate';

const onInput = ({ target }) => typedInto.add(target);
const onClick = ({ target }) => {
  const pick = target.closest?.('.pick, #hand-in');
  if (pick) {
    pressed.push(pick);
  }
};
document.addEventListener('input', onInput, true);
document.addEventListener('click', onClick, true);

/** Whether what stands in a field was typed before this page was ready. */
export const wasTyped = (field) => typedInto.has(field) || (isFresh && field.value !== field.defaultValue);

/** The page is ready: what was pressed before is done now. */
export function doEarly() {
  document.removeEventListener('input', onInput, true);
  document.removeEventListener('click', onClick, true);
  typedInto.clear();
  pressed.splice(0).filter((pick) => pick.isConnected).forEach((pick) => pick.click());
}
