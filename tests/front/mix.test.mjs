import assert from 'node:assert/strict';
import { test } from 'node:test';
import { border, read, unwound, upTo, withShade, withShare, write } from '../../src/Kitto.Web/front/scripts/sitting/mix.js';

const whole = parts => Number(upTo(parts, parts.length).toFixed(9));
const mix = () => read('6N:0.5 5N:0.3 6G:0.2 @20').parts;

test('a mix is written as it was read, its strength too', () => {
  for (const text of ['6N:1', '6N:0.5 5N:0.3 6G:0.2 @20', '7AB:0.667 7N:0.333', 'LT:1 @30']) {
    const { parts, strength } = read(text);
    assert.equal(write(parts, strength), text);
  }
});

test('wherever a border is pulled to, the shares are a whole, none is below nothing, and only its two parts move', () => {
  for (let to = -1; to <= 2; to += 0.037) {
    for (const i of [0, 1]) {
      const moved = border(mix(), i, to);
      assert.equal(whole(moved), 1);
      assert.ok(
        moved.every(p => p.share >= 0),
        `to ${to}`,
      );
      moved.forEach((p, n) => n === i || n === i + 1 || assert.equal(p.share, mix()[n].share));
      const at = upTo(moved, i + 1) * 10;
      const end = [upTo(mix(), i), upTo(mix(), i + 2)].some(e => Math.abs(e * 10 - at) < 1e-9);
      assert.ok(end || Math.abs(at - Math.round(at)) < 1e-9, `${at} is neither a tenth nor an end`);
    }
  }
});

test('a part pulled to nothing leaves the mix', () => {
  assert.equal(write(border(mix(), 0, 0), '@20'), '5N:0.8 6G:0.2 @20');
});

test('a border pulled over the top of the bowl stays at the end it came nearest to', () => {
  assert.equal(unwound(mix(), 0, 0.4), 0.4);
  assert.equal(unwound(mix(), 0, 0.98), 0);
  assert.equal(unwound(mix(), 1, 0.45), 0.5);
  assert.equal(unwound(mix(), 1, 0.1), 1, 'over the top: its far end is nearer than its near one');
});

test('one share typed leaves the others their proportion', () => {
  const typed = withShare(mix(), 0, 0.2);
  assert.equal(whole(typed), 1);
  assert.ok(Math.abs(typed[1].share / typed[2].share - 1.5) < 1e-9);
});

test('a shade that is added takes a tenth from the largest, or half of it where that is less', () => {
  const more = withShade(mix(), '7N');
  assert.equal(whole(more), 1);
  assert.deepEqual(
    more.map(p => Number(p.share.toFixed(3))),
    [0.4, 0.3, 0.2, 0.1],
  );
  const small = withShade(
    Array.from({ length: 10 }, (_, i) => ({ code: `${i}N`, share: 0.1 })),
    '7R',
  );
  assert.ok(Math.abs(small.at(-1).share - 0.05) < 1e-9);
});
