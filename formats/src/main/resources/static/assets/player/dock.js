// The dock under a page, and the marks on it: what sounds, how far it is, what was heard often enough.
import { say } from '../platform/words.js';
import { wordsOf } from './line-words.js';
import { drawTrace, hold, ring } from './marks.js';
import { lookAt } from './page-look.js';
import { isSpent } from './rule.js';

const TRACE_WIDTH = 640;

const at = (id) => document.getElementById(id);

export class Dock {
  #player;

  #dragging = false;

  /** @param player { audio, spots, current(), currentOnes(), words, background, stuck } as they are at any moment */
  constructor(player) {
    this.#player = player;
  }

  /** The length in seconds; the server knows it before the sound has come. */
  get #length() {
    const { audio } = this.#player;
    return (Number.isFinite(audio.duration) && audio.duration) || Number(this.#player.current().dataset.ms) / 1000;
  }

  /** Another page is there. */
  open() {
    this.#dragging = false;
    at('seek').addEventListener('input', () => {
      this.#dragging = true;
      this.#player.audio.currentTime = (at('seek').value / 1000) * this.#length;
      this.showTime();
    });
    at('seek').addEventListener('change', () => { this.#dragging = false; });
  }

  /** Another line is chosen. */
  showLine(spot) {
    const icon = spot.dataset.icon && at('steps').content.querySelector(`[data-icon=${spot.dataset.icon}]`);
    at('step').hidden = !icon;
    if (icon) {
      at('step').src = icon.dataset.src;
    }
    drawTrace(at('seek-trace'), spot.dataset.trace);
  }

  showTime() {
    if (!at('play')) {
      return;
    }
    const { audio, spots, words } = this.#player;
    const length = this.#length;
    const share = Math.min(1, audio.currentTime / length);
    const left = Math.max(0, Math.ceil((length - audio.currentTime) / audio.playbackRate - 0.05));
    spots.forEach((spot) => ring(spot, 1));
    ring(at('play'), 1 - share);
    this.#player.currentOnes().forEach((spot) => ring(spot, 1 - share));
    at('left').textContent = left;
    words.light(audio.currentTime, audio.currentTime > 0 && !audio.ended);
    at('seek-trace').querySelector('rect').setAttribute('width', TRACE_WIDTH * share);
    if (!this.#dragging) {
      at('seek').value = Math.round(share * 1000);
      at('seek').setAttribute('aria-valuetext', say('secondsLeft', { n: left }));
    }
  }

  showPlaying() {
    const play = at('play');
    if (!play) {
      return;
    }
    const { audio, spots, stuck } = this.#player;
    const playing = !audio.paused && !stuck;
    const { line } = this.#player.current().dataset;
    play.setAttribute('aria-pressed', playing);
    play.setAttribute('aria-label', say(playing ? 'pause' : 'play'));
    spots.forEach((spot) => {
      spot.dataset.label ??= spot.getAttribute('aria-label');
      const sounds = playing && spot.dataset.line === line;
      spot.setAttribute('aria-label', sounds ? say('pauseLine', { words: wordsOf(spot) }) : spot.dataset.label);
    });
    lookAt(playing ? spots.find((spot) => spot.closest('.board') && spot.dataset.line === line) : null);
    hold(play.querySelector('.ring-mark'), playing);
    if (playing) {
      requestAnimationFrame(() => this.#follow());
    }
    this.showTime();
  }

  #follow() {
    this.showTime();
    if (!this.#player.audio.paused) {
      requestAnimationFrame(() => this.#follow());
    }
  }

  /** Marks those that were heard as often as they may be, and backgrounds that sound. */
  showRules() {
    const { spots, background } = this.#player;
    spots.forEach((spot) => {
      const spent = isSpent(spot);
      spot.classList.toggle('spent', spent);
      spot.setAttribute('aria-disabled', spent);
      spot.classList.toggle('on', background.isOn(spot));
    });
  }
}
