// The answers of a child: each is kept as it is given, found again, and handed in. The player comes with it.
import '../player/player.js';
import { activities } from '../player/activities.js';
import { AnswerOutbox } from './answer-outbox.js';
import { HandingIn } from './handing-in.js';
import { bindChoices, bindLeading } from './choices.js';
import { doEarly } from './early.js';
import { bindHints } from './hints.js';
import { bindKinds } from './kinds.js';
import { recordsNow, stopRecording } from './speaking.js';
import { flushTyped, isTyping } from './typed.js';
import { bindWays } from './ways.js';
import { onlyFor } from '../classroom/whose-page.js';
import { ownerHeader } from '../platform/requests.js';
import { say } from '../platform/words.js';

const BINDERS = [bindKinds, bindWays, bindHints];

const { answers: base, recordings, answered } = document.body.dataset;
const kept = answered === 'kept';
const owner = document.documentElement.dataset.owner ?? '';
const state = (key) => {
  if (key === 'handedIn') {
    // She handed in elsewhere, and that closed it.
    handingIn.close();
    return;
  }
  const place = document.getElementById('answer-state');
  if (place && key === null) {
    place.textContent = '';
    delete place.dataset.state;
  } else if (place && !(key === 'saved' && isTyping())) {
    place.textContent = say(`answer.${key === 'waiting' && outbox?.waitsToHandIn ? 'handInWaits' : key}`);
    place.dataset.state = key;
  }
};
if (owner && kept) {
  onlyFor(owner);
}
const outbox = kept ? new AnswerOutbox(owner, base, state, (handed) => handingIn.heardOf(handed)) : null;

/** What was answered, by question: { given, pieces, heard }. */
const held = new Map();

const answering = {
  owner,
  base,
  recordings,
  kept,
  held: (question) => held.get(question) ?? { given: {}, pieces: [], heard: null },

  /** A part of an answer changed: the rest of it stays. */
  give(question, part, pieces = null) {
    const before = this.held(question);
    const given = { ...before.given, ...part };
    held.set(question, { given, pieces: pieces ?? before.pieces, heard: null });
    document.dispatchEvent(new CustomEvent('answer-given', { detail: { question } }));
    if (kept) {
      state(null);
      outbox.put(question, given);
    } else {
      state('tried');
    }
  },

  /** Something is being typed that isn't an answer as yet. */
  typing: () => state(null),

  /** Answers when the server has all of it, or nothing more can be sent now. */
  sent: () => (kept ? outbox.emptied() : Promise.resolve(true)),

  /** Answers whether it is handed in by now; else it goes by itself. */
  async handIn() {
    await outbox.handIn();
    return !outbox.waitsToHandIn;
  },

  told(question, heard) {
    held.set(question, { ...this.held(question), heard });
  },
};

const handingIn = new HandingIn(answering);

function open() {
  document.querySelectorAll('.answer').forEach((place) => BINDERS.forEach((bind) => bind(place, answering)));
  bindChoices(document.querySelector('.board'), answering);
  bindLeading(answering);
  handingIn.open();
}

async function fetchState() {
  if (!kept) {
    return;
  }
  // What waits on this device is newer than what the server has.
  const waiting = await outbox.waiting();
  try {
    const response = await fetch(base, { cache: 'no-store', headers: ownerHeader() });
    if (response.ok) {
      const found = await response.json();
      Object.entries(found.answers).forEach(([question, answer]) => held.set(question, answer));
      handingIn.handedIn = found.handedIn;
      if (found.closed) {
        handingIn.close();
      }
      if (!found.open) {
        state('closed');
      }
    }
  } catch {
    state('waiting');
  }
  waiting.filter(({ given }) => given).forEach(({ question, given }) => held.set(question, { ...answering.held(question), given, heard: null }));
}

activities.add({
  canLeave: async () => {
    flushTyped();
    if (recordsNow()) {
      await stopRecording();
    }
    return true;
  },
  leave: () => {},
});
document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && flushTyped());
window.addEventListener('pagehide', flushTyped);

// What this page shows first is what was answered before; a page that is turned to later has it at once.
const found = fetchState();
let opened = false;
document.addEventListener('page-opened', () => opened && open());
found.then(() => {
  opened = true;
  open();
  doEarly();
  document.body.classList.add('answers-here');
});
