// Copies the link; where the browser doesn't let a page copy, it is selected for the keyboard.
import { say } from '../house/words.js';

const link = document.getElementById('link');

document.getElementById('copy')?.addEventListener('click', async () => {
  link.select();
  try {
    await navigator.clipboard.writeText(link.value);
    document.getElementById('copied').textContent = say('copied');
  } catch (refused) {
    document.getElementById('copied').textContent = say('copyByHand');
  }
});
