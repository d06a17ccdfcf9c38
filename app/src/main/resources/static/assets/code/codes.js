// Copies a code as a picture, where the browser can.
import { say } from '../platform/words.js';

const state = document.getElementById('copied');
const canCopy = Boolean(navigator.clipboard?.write && window.ClipboardItem);

document.querySelectorAll('.copy-picture').forEach((button) => {
  button.hidden = !canCopy;
  button.addEventListener('click', async () => {
    try {
      const picture = fetch(button.dataset.picture).then((response) => response.blob());
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
      state.textContent = say('copied');
    } catch {
      state.textContent = say('notCopied');
    }
  });
});
