import assert from 'node:assert/strict';
import { test } from 'node:test';
import { answerTo } from '../../src/Kitto.Web/front/scripts/guide/changed.js';
import { lateWords } from '../../src/Kitto.Web/front/scripts/guide/late-words.js';
import { unsentWords } from '../../src/Kitto.Web/front/scripts/guide/late.js';
import { strandTimer } from '../../src/Kitto.Web/front/scripts/guide/strand.js';
import { bounces } from '../../src/Kitto.Web/front/scripts/guide/taps.js';
import { localNow, withOffset } from '../../src/Kitto.Web/front/scripts/guide/times.js';

const minute = 60_000;
const run = { onHead: true, waiting: true, now: 0, rinse: 10 * minute, partAt: 0, partZones: 'left temple', says: '', over: false };

test('what is late: a part that has to come off goes before all, then the time that is up, then what is coming', () => {
  assert.deepEqual(lateWords(run), { words: '', key: '', now: false });
  assert.equal(lateWords({ ...run, says: 'You are 4 min behind.' }).words, 'You are 4 min behind.');
  const soon = lateWords({ ...run, partAt: 5 * minute, says: 'You are 4 min behind.' });
  assert.match(soon.words, /^In 5 min, rinse only your left temple\. Keep the rest dry\. Rinse everything else 5 min later\.$/);
  assert.equal(soon.now, false);
  assert.match(lateWords({ ...run, partAt: 5 * minute, now: 5 * minute }).words, /^Rinse your left temple now\./);
  assert.deepEqual(lateWords({ ...run, now: 10 * minute }), { words: 'Rinse now. The time is up.', key: 'up', now: true });
  assert.equal(lateWords({ ...run, now: 26.5 * minute, says: 'You are behind.' }).words, 'Rinse now. The time was up 16 min ago.');
});

test('while it is still being painted, and once it is rinsed, nothing says that the time is up', () => {
  assert.equal(lateWords({ ...run, waiting: false, now: 11 * minute }).now, false);
  assert.equal(lateWords({ ...run, onHead: false, now: 99 * minute }).words, '');
});

test('a tap soon after another and at the same place is a bounce of it', () => {
  const first = { at: 1000, x: 100, y: 500 };
  for (const [tap, is] of [
    [{ at: 1399, x: 110, y: 505 }, true],
    [{ at: 1401, x: 100, y: 500 }, false],
    [{ at: 1100, x: 300, y: 500 }, false],
  ])
    assert.equal(bounces(first, tap), is);
});

test('a strand is looked at first, then every five minutes, and rinsed at the latest end', () => {
  const plan = { look: 20, every: 5, latest: 45 };
  const at = minutes => {
    const { now, next, seconds } = strandTimer(minutes, plan);
    return [now, next, Math.round(seconds / 60)];
  };
  assert.deepEqual(at(0), ['wait', 'look', 20]);
  assert.deepEqual(at(20.2), ['look', 'look', 5]);
  assert.deepEqual(at(23), ['wait', 'look', 2]);
  assert.deepEqual(at(41), ['look', 'rinse', 4]);
  assert.equal(strandTimer(45, plan).now, 'rinse');
});

test('an open page is loaded again for what is about colour and stops, and asks first where something is being typed', () => {
  assert.equal(answerTo('tests 1', 'tests 1', true), 'nothing');
  assert.equal(answerTo('tests 1', 'tests 2', false), 'reload');
  assert.equal(answerTo('tests 1', 'tests 2', true), 'say');
  for (const now of ['rinse 2', 'stopped 2', 'over 2', 'doing 2']) assert.equal(answerTo('tests 1', now, true), 'reload');
});

test('what a phone has not sent of a run goes in the order in which it was tapped, the start first', () => {
  const remembered = [
    [
      'x',
      {
        unsent: [
          { id: 'b', word: 'step', step: 4, raw: 20 },
          { id: 'a', word: 'step', step: 1, raw: 11 },
        ],
      },
    ],
  ];
  assert.deepEqual(
    unsentWords(remembered, { id: 's', raw: 10 }).map(w => w.id),
    ['s', 'a', 'b'],
  );
  assert.deepEqual(
    unsentWords([['x', { started: true, unsent: [{ id: 'a', raw: 1 }] }]], { id: 's', raw: 0 }).map(w => w.id),
    ['a'],
  );
});

test('a moment typed by a clock that is wrong is put right when it is sent', () => {
  const typed = localNow(new Date(1_800_000_000_000));
  assert.equal(new Date(withOffset(typed, -3_600_000)).getTime(), new Date(withOffset(typed)).getTime() - 3_600_000);
  assert.equal(withOffset('no time', 1), null);
});
