// What is said of answers: one thing after another, and nothing else meanwhile.
const voice = new Audio();
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

export const hush = () => {
  turn++;
  voice.pause();
};
