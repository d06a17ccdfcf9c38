// What is in the way of a microphone, in words, with what can be done.
import { goOver, leadTo } from '../platform/secure-page.js';
import { say } from '../platform/words.js';
import { browserName } from './microphone.js';

/** The paragraphs that say it. @param trouble as troubleOf names it @param more keys of what else is said */
export async function troubleWords(trouble, ...more) {
  const there = trouble === 'insecure' ? await goOver() : null;
  const keys = [there ? 'trouble.secureAddress' : `trouble.${trouble}`, ...(trouble === 'blocked' ? [`allow.${browserName()}`] : []), ...more];
  const paragraphs = keys.map((key) => {
    const paragraph = document.createElement('p');
    paragraph.textContent = say(key, { address: window.location.origin });
    return paragraph;
  });
  leadTo(there, paragraphs[0]);
  return paragraphs;
}
