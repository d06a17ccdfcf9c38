// A key for each thing with data-key: pressing it presses the thing, unless somebody is typing.

const SWITCH = 'single-keys';
const TYPING = 'input:not([type=radio], [type=checkbox], [type=file]), textarea, select, [contenteditable]';
const CHOOSING = 'input, summary';

// WCAG 2.1.4: letters as keys can be switched off on this device.
const off = () => localStorage.getItem(SWITCH) === 'off';
document.body.classList.toggle('no-keys', off());

const box = document.getElementById('single-keys');
if (box) {
  box.checked = !off();
  box.addEventListener('change', () => {
    localStorage.setItem(SWITCH, box.checked ? 'on' : 'off');
    document.body.classList.toggle('no-keys', off());
  });
}

// Esc leaves a field, so that letters are keys again.
document.addEventListener('keydown', (event) => {
  if (event.key === 'Escape' && event.target.closest?.(TYPING) && !event.target.closest('[popover]')) {
    event.target.blur();
    document.getElementById('content')?.focus({ preventScroll: true });
  }
});

document.addEventListener('keydown', (event) => {
  if (off() && event.key.length === 1) {
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest?.(TYPING)) {
    return;
  }
  if (event.target.closest?.(CHOOSING) && (event.key.length !== 1 || event.key === ' ')) {
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
