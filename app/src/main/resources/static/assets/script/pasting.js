// Many lines that are pasted into one: they are in it, as the teacher asked; and become lines of their own at one press.
import { Answer, send } from '../platform/requests.js';
import { tellOf } from '../platform/note.js';
import { say } from '../platform/words.js';
import { pasteUnder, statusMessage } from './actions.js';
import { served } from '../platform/served.js';

const MANY = /\S.*[\r\n]\s*\S/;

function choice(words, action) {
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'btn small';
  button.textContent = words;
  button.addEventListener('click', action);
  return button;
}

/** @param had what stood in the field before */
async function offer(row, text, had) {
  const { each, wrapped, fault } = await (await send('POST', served(`/lines/${row.dataset.line}/paste/reading`), new URLSearchParams({ text }))).json();
  const place = row.querySelector('.paste-offer') ?? document.createElement('small');
  place.className = 'paste-offer';
  place.setAttribute('role', 'status');
  const area = row.querySelector('textarea');
  const type = (words) => {
    area.value = words;
    area.dispatchEvent(new Event('input', { bubbles: true }));
  };
  const take = async (joined) => {
    const whole = area.value;
    type(had);
    if (await pasteUnder(row, text, joined)) {
      place.remove();
    } else {
      type(whole);
    }
  };
  row.querySelector('.words').append(place);
  if (fault) {
    place.replaceChildren(fault);
    return;
  }
  place.replaceChildren(
    `${say('pastedMany', { count: each })} `,
    choice(say('pastedEach', { count: each }), () => take(false)),
    ...(wrapped > 1 && wrapped !== each ? [choice(say('pastedWrapped', { count: wrapped }), () => take(true))] : []),
    choice(say('pastedOne'), () => place.remove()),
  );
}

/** Watches the fields of a sheet. */
export function watchPasting(sheet) {
  sheet.addEventListener('paste', ({ target, clipboardData }) => {
    const row = target.matches('textarea') && !target.readOnly && target.closest('.row-line');
    const text = clipboardData?.getData('text/plain') ?? '';
    if (row && MANY.test(text)) {
      offer(row, text, target.value).catch((failure) => {
        if (failure instanceof Answer && failure.status === 413) {
          statusMessage(say('tooLong'));
        } else {
          tellOf(failure);
        }
      });
    }
  });
}
