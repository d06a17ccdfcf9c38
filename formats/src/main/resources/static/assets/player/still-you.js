// A tablet that is passed on: after a pause a child is asked whether it is still she, by her own picture and name.

const MINUTE = 60_000;

function overlay(html, goesOn) {
  const dialog = document.createElement('dialog');
  dialog.className = 'still-you';
  dialog.innerHTML = html;
  document.body.append(dialog);
  dialog.querySelector('.me')?.addEventListener('click', () => dialog.close());
  dialog.addEventListener('close', () => {
    dialog.remove();
    goesOn();
  });
  dialog.showModal();
}

/** Begins to watch for pauses, where the page says how long one may be. */
export function askStillYou() {
  const home = document.getElementById('home');
  if (!home?.dataset.idle) {
    return;
  }
  let timer = null;
  let asking = false;
  const wait = () => {
    clearTimeout(timer);
    if (!asking) {
      timer = setTimeout(ask, Number(home.dataset.idle) * MINUTE);
    }
  };
  const ask = async () => {
    // While something sounds, somebody listens.
    if (document.querySelector('#play[aria-pressed="true"]')) {
      wait();
      return;
    }
    try {
      const answer = await fetch(home.dataset.who, { credentials: 'same-origin' });
      if (!answer.ok || answer.redirected) {
        window.location.assign(home.href);
        return;
      }
      asking = true;
      overlay(await answer.text(), () => {
        asking = false;
        wait();
      });
    } catch {
      wait();
    }
  };
  ['pointerdown', 'keydown', 'scroll'].forEach((event) => window.addEventListener(event, wait, { passive: true, capture: true }));
  wait();
}
