// Passkeys (WebAuthn, W3C): what the browser asks of the device, and its answer as text.
import { $ } from './dom.js';

/** Bytes of a base64url text. */
export const bytes = text => Uint8Array.from(atob(text.replace(/-/g, '+').replace(/_/g, '/')), c => c.charCodeAt(0));

/** Bytes as base64url text, without padding. */
export const text = buffer =>
  btoa(Array.from(new Uint8Array(buffer), b => String.fromCharCode(b)).join(''))
    .replace(/\+/g, '-')
    .replace(/\//g, '_')
    .replace(/=+$/, '');

const named = list => list?.map(one => ({ ...one, id: bytes(one.id) }));

/** The options as the browser takes them. */
export const options = told => ({
  ...told,
  challenge: bytes(told.challenge),
  ...(told.user ? { user: { ...told.user, id: bytes(told.user.id) } } : {}),
  ...(told.excludeCredentials ? { excludeCredentials: named(told.excludeCredentials) } : {}),
  ...(told.allowCredentials ? { allowCredentials: named(told.allowCredentials) } : {}),
});

/** What the device answered, as text. */
export function answer(credential) {
  const { response } = credential;
  const parts = ['clientDataJSON', 'attestationObject', 'authenticatorData', 'signature', 'userHandle'].filter(part => response[part]);
  return JSON.stringify({
    id: credential.id,
    rawId: text(credential.rawId),
    type: credential.type,
    authenticatorAttachment: credential.authenticatorAttachment ?? undefined,
    clientExtensionResults: credential.getClientExtensionResults(),
    response: {
      ...Object.fromEntries(parts.map(part => [part, text(response[part])])),
      ...(response.getTransports ? { transports: response.getTransports() } : {}),
    },
  });
}

async function ask(form) {
  const field = name => $(`[name=${name}]`, form);
  let told = form.dataset.options;
  if (form.dataset.ask) {
    const fresh = await (await fetch(form.dataset.ask)).json();
    told = fresh.options;
    field('state').value = fresh.state;
  }
  const publicKey = options(JSON.parse(told));
  field('credential').value = answer(
    form.dataset.passkey === 'create' ? await navigator.credentials.create({ publicKey }) : await navigator.credentials.get({ publicKey }),
  );
  form.submit();
}

/** Lets the forms for passkeys ask the device; where the browser knows none they are not shown. */
export default function passkeys() {
  for (const form of document.querySelectorAll('[data-passkey]')) {
    form.hidden = !window.PublicKeyCredential;
    form.addEventListener('submit', event => {
      event.preventDefault();
      const says = $('.error', form);
      says.textContent = '';
      ask(form).catch(wrong => {
        says.textContent =
          wrong.name === 'InvalidStateError' ? 'This device has a passkey for you already.' : 'The device gave no passkey. Try again, or go on without one.';
      });
    });
  }
}
