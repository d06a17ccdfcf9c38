// A phone as the microphone of a read-through. Both pages have the prompter; the phone's hears, the computer's follows.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { resumeUploads } from '../record/resume-uploads.js';
import { Channel } from './channel.js';
import { served } from '../platform/served.js';

/** A phone says so often that it is there... */
const HERE_MS = 4000;

/** ... and is missed when it hasn't for this long. */
const MISSED_MS = 13000;

const at = (id) => document.getElementById(id);
const plain = (words) => Object.fromEntries(Object.entries(words).filter(([, value]) => value !== undefined).map(([key, value]) => [key, String(value)]));

/** The phone's side: it does what the computer's keys say, and tells what it does. */
export class AtPhone {
  #last = null;
  #channel;
  #prompter;

  constructor(page, prompter) {
    this.page = page;
    this.#prompter = prompter;
    const id = page.dataset.phoneId;
    this.#channel = new Channel(served(`/phone/${page.dataset.phone}/messages?phone=${id}`), (says) => {
      if (says.kind === 'press') {
        prompter.press(says.key);
      } else if (says.kind === 'ended' || (says.kind === 'joined' && says.phone !== id)) {
        this.#over(says.kind);
      }
    });
    this.#join();
    setInterval(() => this.#channel.say({ kind: 'here', ...this.#last }), HERE_MS);
    navigator.wakeLock?.request('screen').catch(() => {});
    // What this device still has of an earlier read-through may come in now.
    resumeUploads();
  }

  /** Until it arrived: from then on this phone is the microphone. */
  async #join() {
    while (!await this.#asks()) {
      await new Promise((resolve) => { setTimeout(resolve, HERE_MS); });
    }
    this.#channel.listen();
  }

  async #asks() {
    try {
      await send('POST', served(`/phone/${this.page.dataset.phone}/join?phone=${this.page.dataset.phoneId}`));
      return true;
    } catch (failure) {
      // What is over is said by its messages.
      return failure.status === 404;
    }
  }

  get hasMicrophone() {
    return false;
  }

  tell(what) {
    this.#last = plain({ state: what.state, index: what.index });
    this.#channel.say({ kind: 'state', ...plain(what) });
  }

  /** Said until it arrives: the computer shows the end. */
  async finished(lines, readingMs) {
    while (!await this.#channel.say({ kind: 'finished', lines, readingMs: String(readingMs) })) {
      await new Promise((resolve) => { setTimeout(resolve, HERE_MS); });
    }
  }

  async #over(kind) {
    this.#channel.close();
    if (['reading', 'paused', 'ready'].includes(this.page.dataset.state)) {
      await this.#prompter.finish();
    }
    at('announce').textContent = say(kind === 'ended' ? 'over' : 'takenOver');
  }
}

/** The computer's side: shows the code, follows the phone, and takes the microphone back when it is asked to. */
export class AtComputer {
  #channel = null;
  #token = null;
  #heard = 0;
  #prompter;

  constructor(page, prompter) {
    this.page = page;
    this.#prompter = prompter;
    this.hasMicrophone = false;
    at('use-phone')?.addEventListener('click', () => this.#open().catch(() => { at('phone').textContent = say('phone.failed'); }));
    at('phone')?.addEventListener('click', ({ target }) => {
      if (target.closest('#take-back')) {
        this.#takeBack();
      }
    });
    setInterval(() => this.#watch(), 1000);
    window.addEventListener('pagehide', () => {
      if (this.#token) {
        send('POST', served(`/read-throughs/${this.#token}/end`), null, {}, true).catch(() => {});
      }
    });
  }

  tell() {
    at('use-phone')?.toggleAttribute('hidden', this.hasMicrophone || !['ready', 'paused', 'trouble', 'opening'].includes(this.page.dataset.state));
  }

  press(key) {
    this.#channel.say({ kind: 'press', key });
  }

  async #open() {
    const lines = new URLSearchParams(this.#prompter.lines.map((line) => ['line', line.id]));
    at('phone').innerHTML = await (await send('POST', this.page.dataset.usePhone, lines)).text();
    at('use-phone').hidden = true;
    at('phone').scrollIntoView({ block: 'nearest' });
    this.#token = at('phone').querySelector('[data-token]').dataset.token;
    this.#channel = new Channel(served(`/read-throughs/${this.#token}/messages`), (says) => this.#hear(says));
    this.#channel.listen();
  }

  #hear(says) {
    this.#heard = Date.now();
    if (says.kind === 'joined') {
      this.hasMicrophone = true;
      this.page.classList.add('by-phone');
      at('trouble').hidden = true;
      this.#prompter.close();
    } else if (says.kind === 'finished') {
      this.hasMicrophone = false;
      this.#end();
      this.#prompter.showSummary(says.lines, Number(says.readingMs));
    } else if (this.hasMicrophone && says.state && says.state !== 'ended') {
      this.#prompter.follow(says);
      at('announce').textContent = say(`phone.state.${says.state}`);
    }
    at('phone-state').textContent = say('phone.there');
  }

  #watch() {
    if (this.hasMicrophone && Date.now() - this.#heard > MISSED_MS) {
      at('phone-state').textContent = say('phone.away');
    }
  }

  #end() {
    this.#channel?.close();
    this.page.classList.remove('by-phone');
    at('phone').replaceChildren();
    if (this.#token) {
      send('POST', served(`/read-throughs/${this.#token}/end`)).catch(() => {});
      this.#token = null;
    }
  }

  #takeBack() {
    const had = this.hasMicrophone;
    this.hasMicrophone = false;
    this.#end();
    if (had) {
      this.#prompter.takeBack();
    } else {
      this.tell();
    }
  }
}
