// Words that were typed into a line which somebody removed meanwhile: they are in this browser, and can become a line again.
import { say } from '../platform/words.js';
import { addWith } from './actions.js';
import { dropDraft, strandedDrafts } from './autosave.js';

const SHOWN = 120;

function button(words, action) {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = 'btn small';
  made.textContent = words;
  made.addEventListener('click', action);
  return made;
}

export function showStranded(sheet) {
  strandedDrafts().forEach(({ line, words }) => {
    const bar = document.createElement('div');
    bar.className = 'note-bar';
    bar.setAttribute('role', 'status');
    const text = document.createElement('span');
    text.textContent = say('stranded', { words: words.length > SHOWN ? `${words.slice(0, SHOWN)}…` : words });
    const done = () => {
      dropDraft(line);
      bar.remove();
    };
    bar.append(text, button(say('strandedAdd'), async () => (await addWith(words)) && done()), button(say('strandedDrop'), done));
    sheet.prepend(bar);
  });
}
