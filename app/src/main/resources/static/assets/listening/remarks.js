// Speaking back: one key is held while somebody speaks; or written, or a standing line by one key. Each belongs to a place.
import { recordings as leftOver } from '../record/chunk-store.js';
import { Microphone } from '../record/microphone.js';
import { finishLeftOver } from '../record/resume-uploads.js';
import { TakeInTheMaking } from '../record/take.js';
import { Answer, send } from '../platform/requests.js';
import { goOver, leadTo } from '../platform/secure-page.js';
import { say } from '../platform/words.js';
import { RemarkPlace } from './remark-place.js';

const SHORTEST_MS = 400;
const OPEN_FOR_MS = 60_000;
const at = (id) => document.getElementById(id);

/** @param addressOf where the answer of a stop is @param hearing what sounds @param current the stop that is open */
export function bindRemarks({ addressOf, hearing, current, stops }) {
  const microphone = new Microphone();
  const throughOf = ({ dataset }) => `${dataset.assignment}/remarks`;
  const room = at('stop');
  let open = null;
  let closing = 0;
  let speaking = null;

  const place = new RemarkPlace(room, (meant, words) => {
    const to = room.querySelector('.to-place');
    if (to) {
      to.hidden = !meant;
      to.querySelector('q').textContent = words;
    }
  });
  const state = (key, values) => { at('desk-state').textContent = say(key, values); };

  async function showList(stop, html) {
    const list = room.querySelector('.remark-list');
    if (current() === stop && list) {
      list.outerHTML = html ?? await (await fetch(`${addressOf(stop)}/remarks`)).text();
      count(stop.dataset.assignment, listed(room.querySelector('.remark-list')));
      place.showMade();
    }
  }

  const listed = ({ dataset }) => ({ waiting: dataset.waiting, lines: dataset.lines ?? '' });

  /** All lessons that this desk is about. */
  const lessons = () => [...document.querySelectorAll('[data-counts]')].map(({ dataset }) => dataset.counts);

  /** What isn't given back as yet, and what no child hears as yet, of all that this desk is about. */
  function count(assignment, { waiting, lines }) {
    const counts = document.querySelector(`[data-counts="${assignment}"]`);
    counts.dataset.waiting = waiting;
    counts.dataset.lines = lines ?? counts.dataset.lines ?? '';
    recount();
  }

  function recount() {
    if (!at('give-all')) {
      return;
    }
    const all = [...document.querySelectorAll('[data-counts]')].map(({ dataset }) => dataset);
    const given = all.reduce((sum, one) => sum + Number(one.waiting), 0);
    const silent = [...new Set(all.flatMap((one) => (one.lines ?? '').split(' ')).filter(Boolean))];
    at('waiting').textContent = given;
    at('give-all').hidden = given === 0;
    at('to-read').hidden = silent.length === 0;
    at('to-read-count').textContent = silent.length;
    at('to-read').href = `${at('to-read').dataset.read}?${new URLSearchParams(silent.map((line) => ['line', line]))}`;
  }

  function openMicrophone() {
    clearTimeout(closing);
    open ??= microphone.open();
    open.catch(() => { open = null; });
    return open;
  }

  function closeSoon() {
    closing = setTimeout(() => { microphone.close(); open = null; }, OPEN_FOR_MS);
  }

  async function begin() {
    if (speaking || !current()) {
      return;
    }
    const own = { stop: current(), released: false };
    speaking = own;
    place.moment(hearing.place);
    if (hearing.plays) {
      hearing.toggle();
    }
    try {
      await openMicrophone();
    } catch {
      speaking = null;
      const there = await goOver();
      state(there ? 'needsSecurePage' : 'noMicrophone');
      leadTo(there, at('desk-state'));
      return;
    }
    own.take = new TakeInTheMaking(`${own.stop.dataset.student}.${own.stop.dataset.question}`, '', microphone.stream, (how) => {
      if (how !== 'stored') {
        state('waiting');
      }
    }, throughOf(own.stop));
    own.take.recording.place = place.written;
    await own.take.start();
    room.querySelector('.hold')?.setAttribute('aria-pressed', 'true');
    state('speaking');
    if (own.released) {
      finish(own);
    }
  }

  function release() {
    if (speaking && !speaking.released) {
      speaking.released = true;
      if (speaking.take) {
        finish(speaking);
      }
    }
  }

  async function finish(own) {
    speaking = null;
    room.querySelector('.hold')?.setAttribute('aria-pressed', 'false');
    closeSoon();
    if (own.take.elapsedMs < SHORTEST_MS) {
      state('tooShort');
      own.take.throwAway();
      return;
    }
    state('sendingRemark');
    const { line, place: written } = own.take.recording;
    place.clear();
    try {
      ended(own.stop, JSON.parse(await own.take.finish({ line, place: written })));
    } catch (failure) {
      state(failure instanceof Answer ? 'notHeard' : 'waiting');
    }
  }

  async function ended(stop, said) {
    state(said.made ? 'remarkMade' : 'notHeard');
    if (said.made) {
      await showList(stop);
    }
  }

  async function add(fields) {
    const stop = current();
    try {
      const response = await send('POST', `${addressOf(stop)}/remarks`, new URLSearchParams({ ...fields, place: place.written }));
      place.clear();
      state('remarkMade');
      await showList(stop, await response.text());
      return true;
    } catch {
      state('notReached');
      return false;
    }
  }

  function toOthers(remark) {
    const { assignment, question, student } = current().dataset;
    const dialog = document.createElement('dialog');
    dialog.className = 'opened to-whom';
    const form = document.createElement('form');
    form.method = 'dialog';
    const title = document.createElement('h2');
    title.textContent = say('toWhom');
    form.append(title);
    stops.filter((stop) => stop.dataset.assignment === assignment && stop.dataset.question === question && stop.dataset.student !== student).forEach((stop) => {
      const label = document.createElement('label');
      const box = document.createElement('input');
      box.type = 'checkbox';
      box.value = stop.dataset.student;
      label.append(box, ` ${stop.dataset.child}`);
      form.append(label);
    });
    const go = document.createElement('button');
    go.className = 'btn go';
    go.value = 'go';
    go.textContent = say('copy');
    const leave = document.createElement('button');
    leave.className = 'btn';
    leave.textContent = say('cancel');
    form.append(go, leave);
    dialog.append(form);
    document.body.append(dialog);
    dialog.addEventListener('close', async () => {
      const students = [...form.querySelectorAll(':checked')].map((box) => box.value);
      dialog.remove();
      if (dialog.returnValue === 'go' && students.length > 0) {
        const response = await send('POST', `${throughOf(current())}/${remark}/copy`, new URLSearchParams(students.map((id) => ['students', id])));
        state('copied', { n: (await response.json()).copied });
        await showList(current());
      }
    });
    dialog.showModal();
  }

  /** @param fields which @param to of which lessons */
  async function give(fields, to) {
    let all = 0;
    for (const assignment of to) {
      const given = await (await send('POST', `${assignment}/remarks/give`, new URLSearchParams(fields))).json();
      all += given.given;
      count(assignment, given);
    }
    state('givenBack', { n: all });
    if (current()) {
      await showList(current());
    }
  }

  const typing = (target) => target.closest?.('input, textarea, select, [contenteditable]');
  document.addEventListener('keydown', (event) => {
    const hold = room.querySelector('.hold');
    if (hold && event.key.toLowerCase() === 'm' && !event.repeat && !typing(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey && !document.body.classList.contains('no-keys')) {
      event.preventDefault();
      begin();
    }
  });
  document.addEventListener('keyup', (event) => event.key.toLowerCase() === 'm' && release());
  window.addEventListener('blur', release);
  room.addEventListener('pointerdown', (event) => {
    if (event.target.closest('.hold')) {
      begin();
      document.addEventListener('pointerup', release, { once: true });
    }
  });
  room.addEventListener('click', ({ target }) => {
    const remark = target.closest('[data-remark]')?.dataset.remark;
    if (target.closest('.no-place')) {
      place.clear();
    } else if (target.closest('.to-type')) {
      room.querySelector('.type-remark input').focus();
    } else if (target.closest('.say-standing')) {
      add({ standing: target.closest('.say-standing').dataset.line });
    } else if (target.closest('.give-stamp')) {
      add({ stamp: target.closest('.give-stamp').dataset.stamp });
    } else if (target.closest('.give-one')) {
      give({ remark }, [current().dataset.assignment]);
    } else if (target.closest('.to-others')) {
      toOthers(remark);
    } else if (target.closest('.take-back')) {
      send('POST', `${throughOf(current())}/${remark}/remove`).then(() => showList(current())).catch(() => state('notReached'));
    }
  });
  room.addEventListener('submit', async (event) => {
    if (event.target.matches('.type-remark')) {
      event.preventDefault();
      const field = event.target.querySelector('input');
      if (field.value.trim() !== '' && await add({ words: field.value })) {
        field.value = '';
      }
    }
  });
  room.addEventListener('stop-shown', () => {
    place.clear();
    place.showMade();
    const list = room.querySelector('.remark-list');
    if (list) {
      count(current().dataset.assignment, listed(list));
    }
  });
  at('give-all')?.addEventListener('click', () => give({}, lessons()));
  return { ended };
}

/** What a closed tab left of remarks goes on from there. @param onMade told of whom and what each is, and what became of it */
export async function finishLeftRemarks(assignments, onMade) {
  const through = assignments.map((each) => `${each}/remarks`);
  for (const left of (await leftOver()).filter((each) => through.includes(each.through))) {
    const said = await finishLeftOver(left, { line: left.line, place: left.place ?? '' });
    if (said) {
      onMade(left.line, JSON.parse(said));
    }
  }
}
