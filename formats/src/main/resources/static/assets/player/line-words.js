// The words of the line that is chosen, in the dock and where they stand on the page: each lights up while it is said, and is
// said alone when it is pressed, held, or gone to by the arrow keys.
import { OneWord } from './one-word.js';
import { PageWords } from './page-words.js';
import { WordHighlight } from './word-highlight.js';
import { WordTimes } from './word-times.js';

// A word that is said alone begins a little before it is heard.
const EARLY_MS = 50;
const HELD_MS = 450;

const markOf = (spot) => document.querySelector(`.board .spot[data-line="${CSS.escape(spot.dataset.line)}"]`);
export const wordsOf = (spot) => spot.parentElement.querySelector('.words').textContent;

export class LineWords {
  #player;

  #inDock = new WordHighlight();

  #onPage = new PageWords();

  #times = new WordTimes();

  #alone = new OneWord();

  #words = [];

  #spot;

  /** @param player { audio() that sounds now, play(share) of the usual speed and answers when it sounds, stop() } */
  constructor(player) {
    this.#player = player;
  }

  /** A line is chosen. */
  show(spot) {
    this.#spot = spot;
    this.#words = [];
    this.#alone.forget();
    this.#alone = new OneWord();
    this.#inDock.show(document.getElementById('current'), wordsOf(spot), spot);
    this.#onPage.show(markOf(spot));
    return this.#times.of(spot).then((times) => {
      // Another line may have been chosen meanwhile.
      if (this.#spot === spot && spot.isConnected) {
        this.#words = times;
        this.#inDock.knows(wordsOf(spot), times);
        this.#onPage.knows(markOf(spot), times);
      }
    }).catch(() => {});
  }

  /** Asks ahead when the words of a line are said. */
  prepare(spot) {
    this.#times.prepare(spot);
  }

  /** Lights the word that is said now. */
  light(seconds, started) {
    const ms = seconds * 1000 + (this.#alone.isSaid ? EARLY_MS : 0);
    this.#inDock.at(ms, started);
    this.#onPage.at(ms, started);
  }

  /** Whether a single word is said. */
  get isAlone() {
    return this.#alone.isSaid;
  }

  /** The word that was pressed, by its place on the page; -1: none. */
  pressed(event) {
    return event.detail > 0 ? this.#onPage.wordAt(event.clientX, event.clientY) : -1;
  }

  /** Says one word alone; answers whether there is such a word. */
  say(index) {
    const word = this.#words[index];
    if (!word || word.span.endMs <= word.span.startMs) {
      return false;
    }
    const { fromMs, share } = this.#alone.begin(this.#spot.dataset.line, index, word.span);
    this.#player.audio().currentTime = fromMs / 1000;
    this.#player.play(share).then(() => this.#alone.watch(this.#player.audio(), () => this.#player.stop()));
    return true;
  }

  /** Says the word before or after the one that was said last; answers whether there is one. */
  step(by) {
    const last = this.#alone.lastOf(this.#spot.dataset.line);
    for (let index = last < 0 && by < 0 ? this.#words.length - 1 : last + by; index >= 0 && index < this.#words.length; index += by) {
      if (this.say(index)) {
        return true;
      }
    }
    return false;
  }

  /** The whole line is wanted, or nothing; answers whether a single word was said up to now. */
  leaveWord() {
    const was = this.#alone.isSaid;
    this.#alone.forget();
    return was;
  }

  /** Watches for words that are pressed in the dock, and held on the page. @param choose makes a line the chosen one */
  watch(spots, choose) {
    document.getElementById('current').addEventListener('click', ({ target }) => {
      const word = target.closest('[data-word]');
      if (word) {
        this.say(Number(word.dataset.word));
      }
    });
    spots.filter((spot) => spot.closest('.board')).forEach((spot) => this.#watchHeld(spot, choose));
  }

  #watchHeld(spot, choose) {
    let timer = 0;
    let held = false;
    const leave = () => clearTimeout(timer);
    // What follows is the end of holding, no press.
    spot.addEventListener('click', (event) => {
      if (held && event.detail > 0) {
        event.stopImmediatePropagation();
      }
      held = false;
    }, { capture: true });
    spot.addEventListener('pointerdown', ({ clientX, clientY }) => {
      held = false;
      timer = setTimeout(async () => {
        if (this.#spot?.dataset.line !== spot.dataset.line) {
          choose(spot);
        }
        await this.#times.of(spot).catch(() => {});
        held = this.say(this.#onPage.wordAt(clientX, clientY));
      }, HELD_MS);
    });
    ['pointerup', 'pointercancel', 'pointerleave'].forEach((end) => spot.addEventListener(end, leave));
  }
}
