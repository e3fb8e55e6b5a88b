import assert from 'node:assert/strict';
import test from 'node:test';
import { answer, bytes, options, text } from '../../src/Kitto.Web/front/scripts/passkey.js';

test('bytes are written as RFC 4648, section 5, without padding, and read back', () => {
  assert.equal(text(Uint8Array.of(0xfb, 0xff, 0xfe)), '-__-');
  for (const length of [0, 1, 2, 3, 64]) {
    const some = Uint8Array.from({ length }, (_, i) => (i * 37 + 200) % 256);
    assert.deepEqual(bytes(text(some)), some);
    assert.doesNotMatch(text(some), /[+/=]/);
  }
});

test('what the server asks is bytes for the browser, and what it does not ask stays away', () => {
  const made = options({ challenge: 'AQID', user: { id: 'BA', name: 'tove' }, excludeCredentials: [{ type: 'public-key', id: 'BQ' }] });
  assert.deepEqual([...made.challenge, ...made.user.id, ...made.excludeCredentials[0].id], [1, 2, 3, 4, 5]);
  assert.equal(made.user.name, 'tove');
  assert.equal('allowCredentials' in made, false);
});

test('an answer holds what the device gave and nothing else', () => {
  const said = JSON.parse(
    answer({
      id: 'AQ',
      rawId: Uint8Array.of(1).buffer,
      type: 'public-key',
      getClientExtensionResults: () => ({}),
      response: { clientDataJSON: Uint8Array.of(2).buffer, signature: Uint8Array.of(3).buffer, userHandle: null },
    }),
  );
  assert.deepEqual(said.response, { clientDataJSON: 'Ag', signature: 'Aw' });
  assert.equal(said.rawId, 'AQ');
});
