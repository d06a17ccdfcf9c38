// A key for each thing with data-key: pressing it presses the thing, unless somebody is typing.

const TYPING = 'input, textarea, select, [contenteditable]';

document.addEventListener('keydown', (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest?.(TYPING)) {
    return;
  }
  const thing = [...document.querySelectorAll('[data-key]')].find(
    (each) => each.dataset.key.toLowerCase() === event.key.toLowerCase() && each.offsetParent !== null && !each.disabled,
  );
  if (thing) {
    event.preventDefault();
    thing.focus();
    thing.click();
  }
});
