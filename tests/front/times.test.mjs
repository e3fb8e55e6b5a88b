import assert from 'node:assert/strict';
import { test } from 'node:test';
import { betterShift, clock, hour, localNow, rinseAt, secondsLeft, withOffset } from '../../src/Kitto.Web/front/scripts/guide/times.js';
import { stepped, typed } from '../../src/Kitto.Web/front/scripts/typed.js';

const minute = 60_000;

test('a timer shows minutes and seconds, and counts up once it is over', () => {
  assert.equal(clock(0), '00:00');
  assert.equal(clock(754.9), '12:34');
  assert.equal(clock(-61), '01:01');
  assert.equal(clock(6000), '100:00');
});

test('before the wait has begun the rinse is never earlier than planned, nor before the wait is through', () => {
  const plan = { waitBegun: 0, first: 1000 * minute, rinseMinutes: 55, processMinutes: 35 };
  assert.equal(rinseAt({ ...plan, now: 1001 * minute }), 1055 * minute);
  assert.equal(rinseAt({ ...plan, now: 1040 * minute }), 1075 * minute, 'painting took long: the wait still has all its minutes');
});

test('once the wait has begun the rinse is its minutes later, whatever the hour is', () => {
  for (const now of [1030, 1060, 1100]) {
    assert.equal(rinseAt({ waitBegun: 1025 * minute, first: 1000 * minute, now: now * minute, rinseMinutes: 55, processMinutes: 35 }), 1060 * minute);
  }
});

test('a timer of five minutes has five at its start, none at its end, and less than none after', () => {
  assert.equal(secondsLeft(5, 0, 0), 300);
  assert.equal(secondsLeft(5, 0, 5 * minute), 0);
  assert.ok(secondsLeft(5, 0, 6 * minute) < 0);
});

test('a moment is told with the offset that holds on its own day, and comes back the same', () => {
  for (const local of ['2027-01-15T10:30', '2027-07-15T23:05']) {
    const told = withOffset(local);
    assert.match(told, /^2027-\d\d-\d\dT\d\d:\d\d[+-]\d\d:\d\d$/);
    assert.equal(new Date(told).getTime(), new Date(local).getTime());
    assert.equal(localNow(new Date(told)), local);
    assert.equal(hour(new Date(told).getTime()), local.slice(11));
  }
  assert.equal(withOffset(''), null);
});

test('a number is read with a point or a comma', () => {
  assert.equal(typed('12,5'), 12.5);
  assert.equal(typed(' 12.5 '), 12.5);
  assert.equal(typed(''), 0);
  assert.ok(Number.isNaN(typed('many')));
});

test('a step keeps within the range, and leaves words alone', () => {
  assert.equal(stepped('14', 1, { most: 300 }), '15');
  assert.equal(stepped('12,5', -1, { most: 300 }), '11.5');
  assert.equal(stepped('98', 1, { most: 100, size: 5 }), '100');
  assert.equal(stepped('', -1, { most: 300 }), '0');
  assert.equal(stepped('many', 1, { most: 300 }), null);
});

test("the server's clock is met half way, and a slow answer does not undo a quick one", () => {
  const first = betterShift({ shift: 0, took: 0 }, 10_000, 9_000, 9_200);
  assert.deepEqual(first, { shift: 900, took: 200 });
  // Six seconds on the way, most of them back: half way would be off by more than two.
  assert.deepEqual(betterShift(first, 20_000, 19_050, 25_050), first);
  // As quick as before: the newer one.
  assert.deepEqual(betterShift(first, 30_000, 29_000, 29_180), { shift: 910, took: 180 });
  // Somebody has set the phone's clock: no slow answer can hide that.
  assert.deepEqual(betterShift(first, 40_000, 99_000, 100_000), { shift: -59_500, took: 1_000 });
});
