// Spoken answers: one press records, another ends; what was said is heard, and left out or kept. A piece is on the server's
// disk, or waits in this browser by whose it is.
import { recordings as leftOver } from '../record/chunk-store.js';
import { Microphone, meterShare } from '../record/microphone.js';
import { TakeInTheMaking } from '../record/take.js';
import { finishLeftOver } from '../record/resume-uploads.js';
import { goOver, leadTo, secureAddress } from '../platform/secure-page.js';
import { say } from '../platform/words.js';
import { hush, promptOf, quietAfterPress, sayAll } from './voice.js';

const microphone = new Microphone();
let recording = null;
/** Where there would be a microphone, if not here. */
let elsewhere = null;

export const recordsNow = () => recording !== null;

/** Ends what is being recorded, and keeps it. */
export const stopRecording = () => recording?.stop();

function pieceRow(piece, number, answering, onDrop) {
  const row = document.createElement('li');
  const hear = document.createElement('button');
  hear.type = 'button';
  hear.className = 'piece';
  hear.setAttribute('aria-label', say('answer.again', { n: number }));
  hear.innerHTML = '<svg viewBox="0 0 320 40" preserveAspectRatio="none" aria-hidden="true"><line class="rule" x1="0" x2="320" y1="34" y2="34"/><path class="ink"/></svg>';
  hear.querySelector('.ink').setAttribute('d', piece.trace ?? '');
  hear.addEventListener('click', () => sayAll(piece.brokenOff ? promptOf('LEFT_OVER') : null, piece.sound ?? `${answering.recordings}/spoken/${piece.id}.mp3`));
  const drop = document.createElement('button');
  drop.type = 'button';
  drop.className = 'act drop';
  drop.setAttribute('aria-label', say('answer.drop', { n: number }));
  drop.innerHTML = '<svg viewBox="0 0 48 48" aria-hidden="true"><path d="M13 13 L35 35 M35 13 L13 35"/></svg>';
  drop.addEventListener('click', onDrop);
  row.classList.toggle('broken-off', piece.brokenOff === true);
  row.append(hear, drop);
  return row;
}

export function bindSpeaking(place, answering) {
  const speak = place.querySelector('.speak');
  if (!speak) {
    return;
  }
  const { question, seconds } = place.dataset;
  const mic = speak.querySelector('.mic');
  const outcome = place.querySelector('.outcome');
  const pieces = () => answering.held(question).pieces ?? [];

  function show() {
    speak.querySelector('.spoken').replaceChildren(...pieces().map((piece, i) => pieceRow(piece, i + 1, answering, () => {
      keep(pieces().filter((each) => each !== piece));
      mic.focus();
    })));
  }

  function keep(all) {
    answering.give(question, { spoken: all.map((piece) => piece.id) }, all);
    show();
  }

  function taken(ended) {
    if (ended.piece) {
      // What the server put together meanwhile is said on.
      keep([...pieces().filter(({ id }) => id !== ended.piece.id), ended.piece]);
      outcome.textContent = ended.piece.brokenOff ? say('answer.brokenOff') : '';
    } else {
      outcome.textContent = say('answer.notHeard');
    }
  }

  async function start() {
    hush();
    document.dispatchEvent(new CustomEvent('answer-sounds'));
    try {
      await microphone.open();
    } catch {
      const there = await elsewhere;
      outcome.textContent = say(there ? 'answer.needsSecurePage' : 'answer.noMicrophone');
      leadTo(there, outcome);
      return;
    }
    const take = new TakeInTheMaking(question, '', microphone.stream, (how) => {
      outcome.textContent = how === 'stored' ? '' : say('answer.waiting');
    }, answering.kept ? answering.recordings : '');
    const own = { stop: () => stop(take) };
    recording = own;
    if (answering.kept) {
      await take.start();
    } else {
      take.tryOut();
    }
    mic.setAttribute('aria-pressed', 'true');
    mic.setAttribute('aria-label', say('answer.recording'));
    const follow = () => {
      if (recording !== own) {
        return;
      }
      const left = 1 - take.elapsedMs / (seconds * 1000);
      mic.style.setProperty('--level', meterShare(microphone.peak()));
      mic.style.setProperty('--left', Math.max(0, left) * 100);
      if (left <= 0) {
        own.stop();
      } else {
        requestAnimationFrame(follow);
      }
    };
    follow();
  }

  async function stop(take) {
    recording = null;
    mic.setAttribute('aria-pressed', 'false');
    mic.setAttribute('aria-label', say('answer.record'));
    mic.style.removeProperty('--left');
    mic.classList.add('sending');
    try {
      if (answering.kept) {
        taken(JSON.parse(await take.finish({ line: question })));
      } else {
        taken({ piece: { id: 'tried', durationMs: take.elapsedMs, sound: URL.createObjectURL(await take.tried()) } });
      }
    } catch {
      outcome.textContent = say('answer.waiting');
    } finally {
      mic.classList.remove('sending');
      microphone.close();
    }
  }

  if (!window.isSecureContext) {
    // What she answered here is on the server before she goes over.
    elsewhere ??= answering.sent().then((sent) => (sent ? goOver() : secureAddress()));
  }
  mic.addEventListener('click', () => (recording ? recording.stop() : start()));
  show();
  if (pieces().some((piece) => piece.brokenOff)) {
    outcome.textContent = say('answer.brokenOff');
    quietAfterPress().then(() => recording || !speak.isConnected || speak.querySelector('.broken-off .piece')?.click());
  }
  if (answering.kept) {
    // What a closed tab left of this question goes on from there.
    leftOver().then(async (all) => {
      for (const left of all.filter((each) => each.owner === answering.owner && each.through === answering.recordings && each.line === question)) {
        const ended = await finishLeftOver(left, { line: question });
        if (ended) {
          taken(JSON.parse(ended));
        }
      }
    }).catch(() => {});
  }
}
