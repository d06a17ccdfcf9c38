// What the page itself says: "press here", "your turn", and what follows on a right or a wrong way.

const IDLE_MS = 12_000;
const LONGEST_MS = 4_000;

export class Prompts {
  #audio = new Audio();

  #idle = 0;

  #here = new Map();

  #address(name) {
    return document.getElementById('prompts').content.querySelector(`[data-prompt=${name}]`)?.dataset.src;
  }

  /** Keeps a prompt in the page, for when nothing can be fetched any more. */
  async keep(name) {
    const address = this.#address(name);
    // Out of a folder on a disk nothing is fetched, and nothing gets lost on the way.
    if (address && !this.#here.has(address) && location.protocol !== 'file:') {
      this.#here.set(address, null);
      try {
        this.#here.set(address, URL.createObjectURL(await (await fetch(address, { priority: 'low' })).blob()));
      } catch {
        this.#here.delete(address);
      }
    }
  }

  /** Says a prompt to its end; answers when it was said, or can't be. */
  async say(name) {
    const sound = this.#address(name);
    if (!sound) {
      return;
    }
    this.#audio.src = this.#here.get(sound) ?? sound;
    try {
      await this.#audio.play();
    } catch {
      // The browser wants a press first, or the sound did not come: the page goes on without.
      return;
    }
    await new Promise((done) => {
      ['ended', 'pause', 'error'].forEach((event) => this.#audio.addEventListener(event, done, { once: true }));
      setTimeout(done, LONGEST_MS);
    });
  }

  hush() {
    this.#audio.pause();
  }

  /** Says where to press when nothing happens for a while, once. */
  wait(stillQuiet) {
    clearTimeout(this.#idle);
    this.#idle = setTimeout(() => stillQuiet() && this.say('PRESS_HERE'), IDLE_MS);
  }

  stopWaiting() {
    clearTimeout(this.#idle);
  }
}
