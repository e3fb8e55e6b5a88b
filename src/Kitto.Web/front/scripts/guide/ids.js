// Each form has an id of its own each time the page is looked at: sent twice it is one word, and two words from a page that was kept are two.
import { $$ } from '../dom.js';

/** A new id, also where the phone has no maker of its own. */
export const newId = () =>
  crypto.randomUUID?.() ?? [8, 4, 4, 4, 12].map(n => [...crypto.getRandomValues(new Uint8Array(n))].map(b => (b % 16).toString(16)).join('')).join('-');

export default function freshIds() {
  for (const field of $$('form input[name=id]')) field.value = newId();
}
