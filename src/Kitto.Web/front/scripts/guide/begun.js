// A run that was begun without a network: the page still is the one for reading ahead, and becomes the one for doing.
import { $, $$ } from '../dom.js';
import { all, drop, handler } from './unsent.js';

const noted = kit => 'kitto-begun-' + kit;

/** When it was begun by this phone's clock, and the id of that word; null where none was. */
export async function begunHere(kit) {
  const key = noted(kit);
  const said = 'indexedDB' in window ? (await all()).filter(i => handler(i.action) === 'Start' && i.action.startsWith(location.pathname)) : [];
  for (const item of said) {
    const id = item.fields.find(([name]) => name === 'id')?.[1];
    localStorage.setItem(key, JSON.stringify({ id, raw: item.at }));
    await drop(item.key);
  }
  return JSON.parse(localStorage.getItem(key) ?? 'null');
}

/** The server knows of it, or will not have it. */
export const forgetBegun = kit => localStorage.removeItem(noted(kit));

/** Makes the page for reading ahead the one for doing. */
export default async function begun() {
  const box = $('.run');
  if (!box) return;
  if (box.getAttribute('x-data') === 'run') {
    forgetBegun(box.dataset.run);
    return;
  }
  const started = await begunHere(box.dataset.run).catch(() => null);
  if (!started) return;
  box.setAttribute('x-data', 'run');
  box.dataset.started = JSON.stringify(started);
  for (const part of $$('[data-part=reading], .reading-ahead')) part.hidden = true;
}
