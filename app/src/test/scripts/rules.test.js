// How often a spot may be heard, which line comes next, and for how many switches a page is made.
import assert from 'node:assert/strict';
import { test } from 'node:test';

const kept = new Map();
globalThis.sessionStorage = { setItem: (key, value) => kept.set(key, String(value)), getItem: (key) => kept.get(key) ?? null };
globalThis.window = Object.assign(new EventTarget(), { location: { pathname: '/l/abc/2' } });

const { countStart, isSpent, ruleOf } = await import('../player/rule.js');
const { inOrder, nextLine } = await import('../player/line-order.js');
const { switchesOf } = await import('../player/scanning.js');
const { ofVisit } = await import('../player/visit.js');

const spot = (line, dataset = {}, place = '') => ({ dataset: { line, ...dataset }, closest: (which) => (which === place ? {} : null) });

test('a spot is heard as often as its rule says, on all pages of the lesson together', () => {
  const twice = spot('twice', { most: '2' });
  assert.equal(isSpent(twice), false);
  countStart(twice);
  window.location.pathname = '/l/abc/3';
  countStart(twice);
  assert.equal(isSpent(twice), true);
  assert.equal(isSpent(spot('twice')), false, 'no rule: as often as is wanted');
  window.location.pathname = '/l/other/1';
  assert.equal(isSpent(twice), false, 'another lesson has counts of its own');
});

test('a rule that says nothing is: once, on press, as loud as it is', () => {
  assert.deepEqual(ruleOf(spot('a')), { onArrival: false, volume: 1, times: 1, goesOn: false, most: 0, underSpeech: false });
  assert.deepEqual(
    ruleOf(spot('a', { arrival: '', volume: '40', times: '0', goesOn: '', most: '3', under: '' })),
    { onArrival: true, volume: 0.4, times: 0, goesOn: true, most: 3, underSpeech: true },
  );
});

test('lines are said beside the page first, each once; hints, music and what was heard often enough are left out', () => {
  const all = [
    spot('b'), spot('a', {}, '.says'), spot('b'), spot('hint', {}, '.hints'), spot('music', { under: '' }), spot('once', { most: '1' }), spot('c'),
  ];
  assert.deepEqual(inOrder(all).map(({ dataset }) => dataset.line), ['a', 'b', 'once', 'c']);
  countStart(spot('once'));
  assert.equal(nextLine(all, all[0]).dataset.line, 'c');
  assert.equal(nextLine(all, all[1]).dataset.line, 'b');
  assert.equal(nextLine(all, all.at(-1)), undefined);
});

test('switches are said by the link and hold for the visit', () => {
  assert.equal(switchesOf('https://school.test/l/a'), 0);
  assert.equal(switchesOf('https://school.test/l/a?switches=2'), 2);
  assert.equal(switchesOf('https://school.test/l/a/2'), 2);
});

test('what a guest heard waits for this visit, in its lane, until it is there', async () => {
  await ofVisit.put({ lane: 'heard ', key: 1, id: 'x', address: '/1' });
  await ofVisit.put({ lane: 'heard ', key: 2, id: 'y', address: '/2' });
  await ofVisit.drop({ id: 'x' });
  assert.deepEqual((await ofVisit.all('heard ')).map(({ address }) => address), ['/2']);
  assert.deepEqual(await ofVisit.all('heard ada'), []);
});
