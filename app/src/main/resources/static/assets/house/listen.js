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

export async function listen(button) {
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
