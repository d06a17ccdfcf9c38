// What is said of answers: one thing after another, and nothing else meanwhile.
const voice = new Audio();
// A word begins a little before it is heard.
const ROOM_MS = 45;
/** Between two things that are said it is still for less. */
const QUIET_MS = 900;
let turn = 0;

document.addEventListener('line-sounds', () => {
  turn++;
  voice.pause();
});

export const promptOf = (name) => document.getElementById('prompts').content.querySelector(`[data-prompt=${name}]`)?.dataset.src;

/** Says sounds one after another; answers when they were said, or something else is. @param sounds addresses; null: none */
export async function sayAll(...sounds) {
  const mine = ++turn;
  document.dispatchEvent(new CustomEvent('answer-sounds'));
  for (const sound of sounds.filter(Boolean)) {
    if (mine !== turn) {
      return;
    }
    voice.src = sound;
    try {
      await voice.play();
    } catch {
      // The browser wants a press first, or the sound did not come: what is seen says it too.
      return;
    }
    await new Promise((done) => {
      ['ended', 'pause', 'error'].forEach((event) => voice.addEventListener(event, done, { once: true }));
    });
  }
}

/** Says parts of sounds one after another. @param parts each with its sound, and its span in ms @param onPart told of each, and null at the end */
export async function sayParts(parts, onPart) {
  const mine = ++turn;
  document.dispatchEvent(new CustomEvent('answer-sounds'));
  for (const part of parts) {
    if (mine !== turn) {
      break;
    }
    voice.src = part.sound;
    voice.currentTime = Math.max(0, part.span.startMs - ROOM_MS) / 1000;
    onPart(part);
    try {
      await voice.play();
    } catch {
      break;
    }
    await partSaid((part.span.endMs + ROOM_MS) / 1000);
  }
  onPart(null);
}

/** Ends with the part, or when something else stops the sound. */
function partSaid(end) {
  return new Promise((done) => {
    ['ended', 'pause', 'error'].forEach((event) => voice.addEventListener(event, done, { once: true }));
    const watch = () => (voice.currentTime >= end ? voice.pause() : !voice.paused && requestAnimationFrame(watch));
    watch();
  });
}

/** When nothing sounds any more, after the press before which a browser lets nothing sound. */
export async function quietAfterPress() {
  if (!navigator.userActivation?.hasBeenActive) {
    await new Promise((done) => { document.addEventListener('click', done, { once: true }); });
  }
  const play = document.getElementById('play');
  const isQuiet = () => voice.paused && play?.getAttribute('aria-pressed') !== 'true';
  const wait = () => new Promise((done) => { setTimeout(done, QUIET_MS); });
  do {
    await wait();
  } while (!isQuiet());
}

export const hush = () => {
  turn++;
  voice.pause();
};
