// One or two switches in place of a pointer: a frame goes from control to control, and a switch presses the one it is on.
// With two, space moves it on and enter presses; with one it moves on by itself, and either key presses.
import { remember, remembered } from './visit.js';

const EVERY_MS = 2_000;
const SCANNED = '.turn, .spot, .jump, .link, .pick, .move, .end, .mic, .piece, .check, #hand-in, #play, #hint, #again, #start';

/** How the student's link says it: ?switches=1 or 2. Holds for this visit. */
export function switchesOf(address) {
  const said = new URL(address).searchParams.get('switches');
  if (said) {
    remember('switches', said);
  }
  return Number(remembered('switches') ?? 0);
}

export class Scanning {
  #timer = 0;

  #switches;

  #sounds;

  #hush;

  /** @param sounds whether anything sounds now @param hush makes it quiet */
  constructor(switches, sounds, hush) {
    this.#switches = switches;
    this.#sounds = sounds;
    this.#hush = hush;
    document.addEventListener('keydown', (event) => this.#key(event), true);
    if (switches === 1) {
      this.#timer = setInterval(() => sounds() || this.#moveOn(), EVERY_MS);
    }
  }

  #key(event) {
    if (event.key !== ' ' && event.key !== 'Enter') {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    if (event.repeat) {
      return;
    }
    if (this.#switches === 2 && event.key === ' ') {
      this.#moveOn();
    } else if (this.#switches === 1 && this.#sounds()) {
      this.#hush();
    } else {
      this.#on()?.click();
    }
  }

  #on() {
    return document.querySelector('.scanned');
  }

  #moveOn() {
    const start = document.getElementById('start');
    const all = start && !start.hidden ? [start] : [...document.querySelectorAll(SCANNED)].filter((each) => each.checkVisibility());
    const now = this.#on();
    const next = all[(all.indexOf(now) + 1) % all.length];
    now?.classList.remove('scanned');
    next?.classList.add('scanned');
    next?.focus();
    next?.scrollIntoView({ block: 'nearest' });
  }
}
