import assert from 'node:assert/strict';
import { test } from 'node:test';

globalThis.document = { documentElement: { lang: 'en', dataset: {} }, body: { classList: { contains: () => false } }, addEventListener() {} };
const { left, moment } = await import('../../src/Kitto.Web/front/scripts/guide/local.js');

test('a moment says its day, in the zone of the phone', () => {
  const at = new Date('2027-03-04T18:40:00Z');
  assert.equal(moment(at, false, 'UTC'), 'Thursday 4 March, 18:40');
  assert.match(moment(at, false, 'Asia/Tokyo'), /^Friday 5 March, 03:40$/);
  assert.equal(moment(at, true, 'UTC'), '18:40');
  assert.match(moment(at, false, 'America/Anchorage'), /^Thursday 4 March, 09:40$/);
});

test('what is left is said in hours, then in minutes and seconds', () => {
  assert.equal(left(47.5 * 3600), '47 h 30 min');
  assert.equal(left(3600), '1 h 00 min');
  assert.equal(left(125), '2:05');
  assert.equal(left(-3), '0:00');
});
