// Hearing takes on teachers' pages: any button with data-listen plays its sound and moves along its trace.

const audio = new Audio();
let current = null;

function show(share) {
  const played = current?.querySelector('.played');
  if (played) {
    played.setAttribute('x2', share * Number(played.dataset.width));
  }
}

function follow() {
  if (!current) {
    return;
  }
  show(audio.duration ? audio.currentTime / audio.duration : 0);
  requestAnimationFrame(follow);
}

export function stop() {
  audio.pause();
  show(0);
  current?.setAttribute('aria-pressed', 'false');
  current = null;
}

/** Plays a button's take, or stops it; with toTheEnd, answers when all of it was heard. */
export async function listen(button, toTheEnd = false) {
  if (current === button) {
    stop();
    return;
  }
  stop();
  current = button;
  button.setAttribute('aria-pressed', 'true');
  audio.src = button.dataset.listen;
  try {
    await audio.play();
    follow();
    if (toTheEnd) {
      await new Promise((resolve) => {
        ['ended', 'pause'].forEach((event) => audio.addEventListener(event, resolve, { once: true }));
      });
    }
  } catch (interrupted) {
    if (current === button) {
      stop();
    }
  }
}

audio.addEventListener('ended', stop);
document.addEventListener('click', (event) => {
  const button = event.target.closest?.('[data-listen]');
  if (button) {
    listen(button);
  }
});
