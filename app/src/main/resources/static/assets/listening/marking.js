// Points by one key, flags and notes: what was pressed is sent until the server has it; until then its mark says so.
import { Answer, send } from '../platform/requests.js';
import { say } from '../platform/words.js';
import { bindRubric } from './by-rubric.js';

const AGAIN_MS = 2_000;
const at = (id) => document.getElementById(id);

async function untilSent(address, fields, onWaiting) {
  for (;;) {
    try {
      return await send('POST', address, new URLSearchParams(fields));
    } catch (failure) {
      if (failure instanceof Answer && !failure.needsSignIn && failure.status < 500) {
        throw failure;
      }
      onWaiting(failure instanceof Answer && failure.needsSignIn ? 'signedOut' : 'waiting');
      await new Promise((resolve) => { setTimeout(resolve, AGAIN_MS); });
    }
  }
}

/** @param addressOf where the answer of a stop is @param current which stop is open @param next goes on @param renew shows the open one as it is by now */
export function bindMarking({ addressOf, current, next, renew }) {
  const sending = new Set();
  let before = Promise.resolve();

  function give(points) {
    const article = at('stop').querySelector('.stop');
    const most = Number(article.dataset.most);
    if (!Number.isFinite(points) || points < 0 || points > most) {
      at('desk-state').textContent = say('noPoints', { most });
      return;
    }
    post(article, 'points', { points }, true);
    next();
  }

  /**
   * Sends what an answer is worth, or its levels, one after the other; its mark in the queue follows when the server has it.
   *
   * @param last whether that is all that is to be said of it
   */
  async function post(article, what, fields, last) {
    const stop = current();
    const { answer, seen } = article.dataset;
    stop.classList.add('sending');
    const sent = before.then(() => untilSent(`${addressOf(stop)}/${what}`, { ...fields, answer, seen }, (why) => { at('desk-state').textContent = say(why); }));
    before = sent.catch(() => {});
    sending.add(sent);
    try {
      mark(stop, (await (await sent).json()).outcome);
      if (last && current() === stop) {
        // The last one of the queue stays open.
        await renew();
      }
    } catch (failure) {
      const said = failure instanceof Answer && failure.status === 409 ? (await failure.response.json()).why : say('notGiven');
      notice(said, stop);
    } finally {
      sending.delete(sent);
      stop.classList.remove('sending');
    }
  }

  function mark(stop, way) {
    stop.querySelector('use').setAttribute('href', `#way-${way}`);
    ['right', 'part', 'wrong', 'open', 'none'].forEach((each) => {
      stop.classList.toggle(each, each === way.toLowerCase());
      stop.querySelector('svg').classList.toggle(each, each === way.toLowerCase());
    });
  }

  /** Nothing was changed: whoever gave the points is led back to where. */
  function notice(why, stop) {
    const note = document.createElement('p');
    note.className = 'fault desk-notice';
    note.setAttribute('role', 'alert');
    const back = document.createElement('button');
    back.type = 'button';
    back.className = 'btn';
    back.textContent = say('lookAgain');
    back.addEventListener('click', () => { note.remove(); stop.click(); });
    note.append(`${why} `, back);
    document.querySelector('.desk-rooms').before(note);
  }

  async function note(article) {
    const flagged = article.querySelector('.flag').getAttribute('aria-pressed') === 'true';
    const stop = current();
    try {
      await untilSent(`${addressOf(stop)}/note`, { flagged, note: article.querySelector('[name=note]').value }, (why) => { at('desk-state').textContent = say(why); });
      stop.classList.toggle('flagged', flagged);
      at('desk-state').textContent = say('noted');
    } catch {
      at('desk-state').textContent = say('notNoted');
    }
  }

  bindRubric({
    post: (article, levels, complete) => post(article, 'rubric', { levels: levels.join(' ') }, complete),
    done: next,
  });
  at('stop').addEventListener('change', async ({ target }) => {
    if (target.name === 'rubric') {
      try {
        await untilSent(`${addressOf(current())}/rubric/use`, { rubric: target.value }, (why) => { at('desk-state').textContent = say(why); });
        await renew();
      } catch {
        at('desk-state').textContent = say('notReached');
      }
    }
  });

  at('stop').addEventListener('click', ({ target }) => {
    const point = target.closest('.point');
    const flag = target.closest('.flag');
    if (point) {
      give(Number(point.dataset.points));
    } else if (flag) {
      flag.setAttribute('aria-pressed', flag.getAttribute('aria-pressed') !== 'true');
      note(flag.closest('.stop'));
    } else if (target.closest('.to-note')) {
      at('stop').querySelector('[name=note]').focus();
    }
  });
  at('stop').addEventListener('submit', (event) => {
    event.preventDefault();
    if (event.target.matches('.exact')) {
      const written = event.target.querySelector('input').value;
      give(written === '' ? NaN : Number(written));
    } else if (event.target.matches('.own-note')) {
      note(event.target.closest('.stop'));
      at('content').focus({ preventScroll: true });
    }
  });
  at('stop').addEventListener('change', ({ target }) => {
    if (target.name === 'note') {
      note(target.closest('.stop'));
    }
  });
  // What was pressed isn't lost by closing the page too soon.
  window.addEventListener('beforeunload', (event) => {
    if (sending.size > 0) {
      event.preventDefault();
    }
  });
}
