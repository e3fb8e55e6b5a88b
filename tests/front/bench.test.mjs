import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { jumped, read, steadiness } from '../../src/Kitto.Web/front/scripts/bench/line.js';
import { base, judge } from '../../src/Kitto.Web/front/scripts/bench/pour.js';
import { source } from '../../src/Kitto.Web/front/scripts/bench/source.js';
import { scanner } from '../../src/Kitto.Web/front/scripts/bench/scan.js';
import { kept, wait, waiting } from '../../src/Kitto.Web/front/scripts/bench/unkept.js';
import { Scale, lineForms } from '../../tools/scale/model.mjs';

// The patterns as the house has them.
const settings = readFileSync(new URL('../../src/Kitto.Web/Bench/ScaleSettings.cs', import.meta.url), 'utf8');
const patterns = [...settings.matchAll(/@"(\^[^"]+\$)"/g)].map(m => new RegExp(m[1]));

test('every form of line the house knows reads what the simulated scale writes: grams, steady or moving, too much, ounces', () => {
  assert.equal(patterns.length, lineForms.length);
  lineForms.forEach((form, i) => {
    const scale = new Scale({ form, noise: 0, drift: 0 });
    scale.do({ kind: 'put', grams: 14 });
    scale.do({ kind: 'pour', grams: 20, speed: 40 });
    const seen = [];
    for (let t = 0; t < 40; t++) {
      scale.pass(0.1);
      seen.push(read(scale.line(), patterns[i]));
    }
    assert.equal(seen.at(-1).grams, 34);
    assert.equal(seen.at(-1).steady, true, form);
    assert.ok(
      seen.slice(2, 6).every(r => r.steady === false),
      form,
    );
    scale.do({ kind: 'unit' });
    assert.match(read(scale.line(), patterns[i]).wrong, /Switch it to grams/);
    scale.do({ kind: 'unit' });
    scale.do({ kind: 'lean' });
    scale.pass(1);
    assert.ok(read(scale.line(), patterns[i]).wrong, form);
  });
});

test('what is no reading is told as it came; nothing is told of nothing', () => {
  assert.equal(read('  \r', patterns[0]), null);
  assert.match(read('LO BAT', patterns[0]).wrong, /LO BAT/);
  assert.match(read('ST,NT,+ 12.3 kg', patterns[0]).wrong, /Switch it to grams/);
  assert.equal(read('ST,NT,-   0.4 g', patterns[0]).grams, -0.4);
});

test('a reading is steady when it was alike within a step for long enough, and a mark for moving starts it again', () => {
  const still = steadiness(0.1, 500);
  const take = (grams, at, steady = null) => still.take({ grams, steady }, at);
  assert.equal(take(10, 0), 0);
  assert.equal(take(10.1, 300), 0);
  assert.equal(take(10, 600), 600);
  assert.equal(take(10.2, 700), 0);
  assert.equal(take(10.2, 1300), 600);
  assert.equal(take(10.2, 1400, false), 0);
  assert.ok(jumped(10, 400, 100) && !jumped(10, 22, 100));
});

test('a pour is kept when it is right, when it is too much, and when the hand has paused; never while it moves or grows less', () => {
  const at = { there: 20, partThere: 0, target: 10, band: 0.1, step: 0.1 };
  const of = (net, steadyFor) => judge({ ...at, net, steadyFor });
  assert.equal(of(30, 0).keep, false);
  assert.ok(of(30.1, 500).keep && of(30.1, 500).right);
  assert.deepEqual([of(31, 600).keep, of(31, 800).keep], [false, true]);
  assert.deepEqual([of(25, 1000).keep, of(25, 1600).keep, of(20.1, 5000).keep], [false, true, false]);
  assert.match(of(12, 5000).says, /taken out/);
  assert.equal(of(12, 5000).keep, false);
  assert.equal(base(34, 20), 14);
});

test('a scanner types fast and ends with Enter; a hand does not', () => {
  const codes = [];
  const key = scanner(code => codes.push(code));
  let at = 0;
  const type = (text, gap) => [...text].map(k => key(k, (at += gap))).concat(key('Enter', (at += gap)));
  type('4006381333931', 8);
  type('12', 8);
  type('4006', 400);
  at += 1000;
  type('KQ7X2M', 8);
  assert.deepEqual(codes, ['4006381333931', 'KQ7X2M']);
});

test('a pour that was not kept waits, once, until it is', () => {
  const shelf = new Map();
  const store = { getItem: k => shelf.get(k) ?? null, setItem: (k, v) => shelf.set(k, v), removeItem: k => shelf.delete(k) };
  wait('k', { Event: 'a', Shows: '3.2' }, store);
  wait('k', { Event: 'a', Shows: '3.2' }, store);
  wait('k', { Event: 'b', Shows: '5.0' }, store);
  assert.deepEqual(
    waiting('k', store).map(p => p.Event),
    ['a', 'b'],
  );
  kept('k', 'a', store);
  kept('k', 'b', store);
  assert.deepEqual([waiting('k', store), shelf.size], [[], 0]);
  shelf.set('kitto-bench-k', 'not json');
  assert.deepEqual(waiting('k', store), []);
});

test('a serial scale is read line by line however its bytes come, and told when its cable is out', async () => {
  const opened = [];
  const bytes = text => new TextEncoder().encode(text);
  let cable;
  const port = {
    open: async options => opened.push(options.baudRate),
    close: async () => {},
    readable: new ReadableStream({
      start: controller => {
        cable = controller;
      },
    }),
  };
  Object.defineProperty(globalThis, 'navigator', { value: { serial: { getPorts: async () => [port] } }, configurable: true });
  const lines = [];
  const lost = new Promise(resolve => {
    source({ from: 'serial', baud: '4800' }).open(
      line => lines.push(line),
      (why, tap) => resolve([why, tap]),
    );
  });
  await new Promise(resolve => setTimeout(resolve, 5));
  for (const piece of ['ST,NT,+  1', '2.3 g\r', '\nUS,NT,+  13', '.0 g\r\nST']) cable.enqueue(bytes(piece));
  await new Promise(resolve => setTimeout(resolve, 5));
  assert.deepEqual(opened, [4800]);
  assert.deepEqual(lines.map(l => read(l, patterns[0])).filter(Boolean), [
    { grams: 12.3, steady: true },
    { grams: 13, steady: false },
  ]);
  cable.error(new Error('unplugged'));
  const [why, tap] = await lost;
  assert.match(why, /scale is gone/);
  assert.equal(tap, true);
  assert.equal(source({ from: 'typed' }), null);
});
