import assert from 'node:assert/strict';
import { test } from 'node:test';
import { says } from '../../src/Kitto.Web/front/scripts/alarms.js';

test('one stop is named, several are counted, none says nothing', () => {
  assert.equal(says([]), '');
  assert.equal(says([{ id: '1', client: 'Maren Holtby' }]), 'Stopped: Maren Holtby');
  assert.equal(says([{ id: '1' }, { id: '2' }]), '2 kits are stopped');
});
