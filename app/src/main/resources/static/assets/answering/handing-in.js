// Handing in: what is missing is shown and led to; afterwards, or after each question, it is heard what is right.
import { ownerHeader } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { promptOf, sayAll } from './voice.js';

const STARS = 5;
const SIGNS = { RIGHT: 'M8 26 q6 4 10 12 q7 -18 22 -30', PART: 'M8 26 q6 4 10 12 M26 24 h14', WRONG: 'M11 24 q8 -9 13 0 t13 0', OPEN: 'M8 24 q16 -18 32 0 q-16 18 -32 0 z', NONE: '' };

const place = (question) => document.querySelector(`.answer[data-question="${question}"]:not(.on-picture)`) ?? document.querySelector(`.answer[data-question="${question}"]`);

const asked = () => [...new Set([...document.querySelectorAll('.answer')].map((each) => each.dataset.question))];

export class HandingIn {
  handedIn = false;

  #closed = false;

  #answering;

  constructor(answering) {
    this.#answering = answering;
    document.addEventListener('answer-given', ({ detail }) => this.#changed(detail.question));
  }

  /** Nothing is changed any more, until her teacher opens it again. */
  close() {
    this.#closed = true;
    this.shut();
  }

  /** What is asked on this page can be heard, and not answered. */
  shut() {
    const state = document.getElementById('answer-state');
    if (this.#closed && state) {
      // What she said, and what was told of it, sounds still.
      document.querySelectorAll('.answer :is(button, input, textarea):not(.sign, .piece), .pick').forEach((each) => { each.disabled = true; });
      document.querySelectorAll('.board, .answer .sheet').forEach((each) => { each.inert = true; });
      document.getElementById('hand-in')?.setAttribute('hidden', '');
      state.textContent = say('answer.handedIn');
    }
  }

  /** Another page is there. */
  open() {
    const hand = document.getElementById('hand-in');
    if (!hand) {
      return;
    }
    hand.hidden = !this.#answering.kept;
    // Where the page moves while she presses, the press still ends here.
    hand.addEventListener('pointerdown', ({ pointerId }) => hand.setPointerCapture(pointerId));
    hand.addEventListener('click', () => this.#handIn());
    asked().forEach((question) => {
      const { heard } = this.#answering.held(question);
      if (heard) {
        this.#show(question, heard);
      }
      place(question).querySelector('.check').addEventListener('click', () => this.#check(question));
      this.#changed(question);
    });
    this.shut();
  }

  /** After each question it may be heard whether it is right, as soon as something was answered. */
  #changed(question) {
    const at = place(question);
    if (!at) {
      return;
    }
    const { given, heard } = this.#answering.held(question);
    const something = Object.values(given).some((part) => part && (part.length ?? Object.keys(part).length) > 0);
    const each = document.body.dataset.feedback === 'EACH' && this.#answering.kept;
    at.querySelector('.check').hidden = !each || !something || heard !== null;
    if (!heard && at.dataset.outcome) {
      delete at.dataset.outcome;
      at.querySelector('.sign')?.remove();
      at.querySelector('.outcome').textContent = '';
    }
    at.classList.toggle('missing', at.classList.contains('missing') && !something);
  }

  #show(question, heard) {
    const at = place(question);
    if (!at || !heard?.outcome) {
      return;
    }
    at.dataset.outcome = heard.outcome;
    at.querySelector('.check').hidden = true;
    if (heard.triesLeft === 0) {
      at.inert = heard.outcome !== 'OPEN' && !at.querySelector('.spoken');
      at.classList.add('no-more');
    }
    const outcome = at.querySelector('.outcome');
    const words = say(`answer.${heard.outcome.toLowerCase()}`);
    const points = heard.points === null || heard.outcome === 'OPEN' || document.body.dataset.points !== 'WORDS' ? '' : ` · ${say('answer.points', { points: heard.points, most: heard.most })}`;
    outcome.textContent = `${heard.words ?? words}${points}${heard.triesLeft === 0 && heard.outcome !== 'RIGHT' ? ` · ${say('answer.noMore')}` : ''}`;
    at.querySelector('.sign')?.remove();
    const sign = document.createElement('button');
    sign.type = 'button';
    sign.className = 'sign act';
    sign.setAttribute('aria-label', outcome.textContent);
    sign.innerHTML = `<svg viewBox="0 0 48 48" aria-hidden="true"><path d="${SIGNS[heard.outcome]}"/></svg>`;
    sign.addEventListener('click', () => sayAll(this.#soundOf(heard)));
    outcome.before(sign);
  }

  #soundOf(heard) {
    const own = heard.sound && `${this.#answering.recordings}/sound/${heard.sound}.mp3`;
    return own ?? { RIGHT: promptOf('WELL_DONE'), WRONG: promptOf('TRY_AGAIN'), PART: promptOf('TRY_AGAIN') }[heard.outcome];
  }

  async #check(question) {
    if (!await this.#answering.sent()) {
      sayAll(promptOf('NO_CONNECTION'));
      return;
    }
    try {
      const response = await fetch(`${this.#answering.base}/${question}/check`, { method: 'POST', headers: ownerHeader() });
      if (!response.ok) {
        throw new Error(`answered ${response.status}`);
      }
      const heard = await response.json();
      this.#answering.told(question, heard);
      this.#show(question, heard);
      await sayAll(this.#soundOf(heard));
    } catch {
      sayAll(promptOf('NO_CONNECTION'));
    }
  }

  async #handIn() {
    const hand = document.getElementById('hand-in');
    hand.disabled = true;
    try {
      if (!await this.#answering.handIn()) {
        sayAll(promptOf('NO_CONNECTION'));
      }
    } finally {
      hand.disabled = false;
    }
  }

  /** What came of handing in, at once or when the network was back. */
  heardOf(handed) {
    const state = document.getElementById('answer-state');
    if (!state) {
      // By now she looks at a page without questions.
      this.handedIn = handed.done;
    } else if (handed.done) {
      this.#done(handed, state);
    } else {
      this.#missing(handed.missing, state, document.getElementById('hand-in').disabled);
    }
  }

  #done(handed, state) {
    this.handedIn = true;
    state.textContent = say('answer.handedIn');
    document.body.classList.add('handed-in');
    const here = [];
    Object.entries(handed.heard).forEach(([question, heard]) => {
      this.#answering.told(question, heard);
      if (place(question)) {
        this.#show(question, heard);
        here.push(this.#soundOf(heard));
      }
    });
    this.#stars(handed);
    if (handed.closed) {
      this.close();
    }
    sayAll(promptOf('HANDED_IN'), ...here);
  }

  /** Stars of our own drawing, as many as the share of the points. */
  #stars({ points, most }) {
    const stars = document.getElementById('stars');
    stars.hidden = most === 0 || document.body.dataset.points === 'HIDDEN';
    if (stars.hidden) {
      return;
    }
    if (document.body.dataset.points === 'WORDS') {
      stars.textContent = say('answer.points', { points, most });
      return;
    }
    const n = Math.round((points / most) * STARS);
    stars.setAttribute('role', 'img');
    stars.setAttribute('aria-label', say('answer.stars', { n, most: STARS }));
    stars.innerHTML = Array.from({ length: STARS }, (unused, i) => `<svg viewBox="0 0 48 48" class="${i < n ? 'won' : ''}" aria-hidden="true"><path d="M24 5 q2 12 6 14 q5 2 13 1 q-9 6 -10 10 q0 5 4 12 q-8 -7 -13 -7 q-5 0 -13 7 q4 -8 3 -12 q-1 -4 -9 -10 q9 1 13 -1 q4 -2 6 -14 z"/></svg>`).join('');
  }

  /** The first one that is missing is gone to, and said. @param leads whether to another page as well */
  async #missing(missing, state, leads) {
    state.textContent = say('answer.missingCount', { n: missing.length });
    const here = missing.find(({ question }) => place(question));
    if (here) {
      const at = place(here.question);
      at.classList.add('missing');
      at.scrollIntoView({ block: 'center' });
      at.querySelector('button, input, textarea')?.focus({ preventScroll: true });
      const line = document.querySelector(`.spot[data-line="${here.question}"]`);
      await sayAll(promptOf('NOT_ANSWERED'), line?.dataset.sound);
      return;
    }
    await sayAll(promptOf('NOT_ANSWERED'));
    if (leads) {
      window.location.href = `${this.#answering.recordings}/${missing[0].page}`;
    }
  }
}
