// What a child hears on a page, and what comes after it.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Listening } from '../player/listening.js';

const none = () => null;

function met(...lines) {
  const listening = new Listening();
  listening.meet(lines);
  return listening;
}

test('a line that is pressed is heard alone; when all were, it is her turn', () => {
  const page = met('a', 'b');
  assert.deepEqual(page.ended('a', none), {});
  assert.deepEqual(page.ended('a', none), {}, 'the same one again makes no difference');
  assert.deepEqual(page.ended('b', none), { heard: true, yourTurn: true });
  assert.deepEqual(page.ended('b', none), {}, 'that is said once');
});

test('what sounds on arrival comes one after another, unless something is pressed', () => {
  const page = met('a', 'b', 'c');
  assert.equal(page.arrive(['a', 'b', 'c']), 'a');
  assert.deepEqual(page.ended('a', none), { begin: 'b' });
  page.pressed();
  assert.deepEqual(page.ended('b', none), {});
  assert.equal(page.arrive([]), undefined);
});

test('a line that is to be heard three times is heard three times, and one without end again and again', () => {
  const page = met('a');
  page.choose(3);
  assert.deepEqual([1, 2, 3].map(() => page.ended('a', none).again), [true, true, undefined]);
  page.choose(0);
  assert.deepEqual([1, 2, 3, 4].map(() => page.ended('a', none).again), [true, true, true, true]);
  page.leave();
  assert.deepEqual(page.ended('a', none), {});
});

test('all of the page is said line by line; another line that is pressed ends that, the current one does not', () => {
  const after = { a: 'b', b: 'c' };
  const page = met('a', 'b', 'c');
  page.sayThrough();
  const end = (line) => page.ended(line, () => after[line] ?? null);
  assert.deepEqual(end('a'), { begin: 'b' });
  page.pressed(true);
  assert.deepEqual(end('b'), { begin: 'c' });
  assert.deepEqual(end('c'), { heard: true, yourTurn: true });
  assert.equal(page.mode, 'one');
  page.sayThrough();
  page.pressed();
  assert.deepEqual(end('a'), {});
  page.sayThrough();
  assert.deepEqual(end('c'), { heard: true, yourTurn: false }, 'said through again: over, and nothing new');
});

test('said through, what was to arrive does not come in between', () => {
  const page = met('a', 'b');
  page.arrive(['a', 'b']);
  page.sayThrough();
  assert.deepEqual(page.ended('a', () => 'b'), { begin: 'b' });
  assert.deepEqual(page.ended('b', none), { heard: true, yourTurn: true });
});

test('what sounded on arrival was heard as well', () => {
  const page = met('a', 'b');
  page.arrive(['a', 'b']);
  page.ended('a', none);
  assert.deepEqual(page.ended('b', none), { heard: true, yourTurn: true });
});
