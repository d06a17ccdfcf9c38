// The picture key: three pictures are pressed in order; the last one sends them.
import { say } from '../platform/words.js';
import { forgetVisit } from './forget.js';
import { sayName } from './names.js';
import { isInside } from './whose-page.js';

const LENGTH = 3;
const page = document.querySelector('.key-page');
const form = document.getElementById('key-form');
const pressed = [];

forgetVisit();
isInside('');

function show() {
  [...form.querySelectorAll('.pressed li')].forEach((slot, i) => {
    const button = pressed[i];
    slot.classList.toggle('full', Boolean(button));
    slot.querySelector('path').setAttribute('d', button?.querySelector('path').getAttribute('d') ?? 'M0 0');
    slot.querySelector('span').textContent = button?.ariaLabel ?? form.querySelector('.pressed').dataset.empty;
  });
  form.querySelectorAll('[data-picture]').forEach((button) => { button.disabled = pressed.includes(button) || pressed.length === LENGTH; });
  document.getElementById('back').disabled = pressed.length === 0;
}

async function send() {
  document.getElementById('key').value = pressed.map((button) => button.dataset.picture).join(' ');
  if (navigator.onLine === false) {
    document.getElementById('said').textContent = say('offline');
    pressed.length = 0;
    show();
    await sayName(page.dataset.trouble);
    return;
  }
  form.requestSubmit();
}

form?.querySelectorAll('[data-picture]').forEach((button) => button.addEventListener('click', () => {
  pressed.push(button);
  show();
  if (pressed.length === LENGTH) {
    send();
  }
}));
document.getElementById('back')?.addEventListener('click', () => {
  pressed.pop();
  show();
});
const me = document.getElementById('me');
me.addEventListener('click', () => sayName(me.dataset.name));
window.addEventListener('pageshow', () => {
  pressed.length = 0;
  if (form) {
    show();
  }
});
const said = page.dataset.shut ?? page.dataset.slower ?? (page.dataset.wrong && form ? page.dataset.again : null);
if (said) {
  sayName(said);
}
