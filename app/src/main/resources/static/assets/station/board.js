// The board of a rotation: the clock is the server's, so a reload and a second screen show the same.
import { send } from '../platform/requests.js';
import { say } from '../platform/words.js';

const ASK_EVERY_MS = 3000;
const MINUTE = 60000;
const at = (id) => document.getElementById(id);
const board = document.querySelector('.board');
let now = null;
let askedAt = 0;
let shownRound = null;
let warned = null;

const isOver = () => now.round >= now.rounds;

/** What is left of the round that runs, and whether the next one should have begun by now. */
function leftNow() {
  return now.started && !now.halted ? Math.max(0, now.left - (performance.now() - askedAt)) : now.left;
}

function take(answer) {
  const before = now;
  now = answer;
  askedAt = performance.now();
  if (before?.started && now.started && now.round !== before.round) {
    at('signal').play().catch(() => { at('board-note').textContent = say('pressOnce'); });
  }
  show();
}

function show() {
  if (!now) {
    return;
  }
  const left = leftNow();
  const over = now.started && isOver();
  const round = now.started ? Math.min(now.round, now.rounds - 1) : 0;
  at('left').textContent = over ? '0:00' : clock(now.started ? left : board.dataset.minutes * MINUTE);
  at('ring').style.strokeDashoffset = now.started && now.length ? 100 - (100 * left) / now.length : 0;
  at('round').textContent = over ? say('over') : say('round', { round: round + 1, rounds: board.dataset.rounds });
  board.classList.toggle('late', now.started && !over && left < MINUTE && now.length > MINUTE);
  if (shownRound !== round) {
    document.querySelectorAll('.at').forEach((each) => { each.hidden = Number(each.dataset.round) !== round; });
    shownRound = round;
  }
  if (now.started && !over && !now.halted && left < MINUTE && now.length > MINUTE && warned !== now.round) {
    warned = now.round;
    at('minute').play().catch(() => {});
  }
  const seen = { START: !now.started || over, HALT: now.started && !now.halted && !over, GO_ON: now.started && now.halted, MINUTE_MORE: now.started && !over, BACK: now.started, NEXT: now.started && !over, END: now.started };
  Object.entries(seen).forEach(([press, is]) => { document.querySelector(`[data-press="${press}"]`).hidden = !is; });
}

function clock(ms) {
  const seconds = Math.ceil(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

async function ask() {
  try {
    const response = await fetch(board.dataset.now);
    if (!response.ok) {
      throw new Error(response.status);
    }
    take(await response.json());
    at('board-note').textContent = '';
  } catch {
    // The clock goes on by itself until the server is heard again.
    at('board-note').textContent = say('offline');
  }
}

document.querySelectorAll('button[data-press]').forEach((button) => button.addEventListener('click', async () => {
  try {
    const response = await send('POST', `${board.dataset.press}?press=${button.dataset.press}`);
    take(await response.json());
  } catch {
    at('board-note').textContent = say('notPressed');
  }
}));

setInterval(() => {
  show();
  if (now?.started && !now.halted && !isOver() && leftNow() <= 0 && performance.now() - askedAt > 400) {
    ask();
  }
}, 250);
setInterval(ask, ASK_EVERY_MS);
ask();
