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

/** What a run of this kit remembers on this phone, by what it was begun with. */
export const memory = (kit, began) => `kitto-run-${kit}-${began}`;

/** The server has taken the run over; what was tapped since and is not told yet goes on under its name. */
function handOver(box) {
  const kit = box.dataset.run;
  const note = JSON.parse(localStorage.getItem(noted(kit)) ?? 'null');
  const [old, own] = [note && memory(kit, note.id), memory(kit, box.dataset.began)];
  const kept = old && localStorage.getItem(old);
  if (kept && !localStorage.getItem(own)) localStorage.setItem(own, JSON.stringify({ ...JSON.parse(kept), started: false }));
  if (old) localStorage.removeItem(old);
  forgetBegun(kit);
}

/** Makes the page for reading ahead the one for doing. */
export default async function begun() {
  const box = $('.run');
  if (!box) return;
  if (box.getAttribute('x-data') === 'run') {
    handOver(box);
    return;
  }
  const started = await begunHere(box.dataset.run).catch(() => null);
  if (!started) return;
  box.setAttribute('x-data', 'run');
  box.dataset.started = JSON.stringify(started);
  for (const part of $$('[data-part=reading], .reading-ahead')) part.hidden = true;
}
