// A run that was begun without a network: the page still is the one for reading ahead, and becomes the one for doing. So does it to practise.
import { $, $$ } from '../dom.js';
import { all, drop, handler } from './unsent.js';

const noted = kit => 'kitto-begun-' + kit;
const RUN = 'kitto-run-';

/** When it was begun by this phone's clock, the id of that word, and since when colour is on; null where none was. */
export async function begunHere(kit) {
  const key = noted(kit);
  const said = 'indexedDB' in window ? (await all()).filter(i => handler(i.action) === 'Start' && i.action.startsWith(location.pathname)) : [];
  for (const item of said) {
    const field = name => item.fields.find(([n]) => n === name)?.[1];
    const since = field('colour') === 'yes' ? new Date(field('since')).getTime() || item.at : null;
    localStorage.setItem(key, JSON.stringify({ id: field('id'), raw: since ?? item.at, colour: since }));
    await drop(item.key);
  }
  return JSON.parse(localStorage.getItem(key) ?? 'null');
}

/** The server knows of it, or will not have it. */
export const forgetBegun = kit => localStorage.removeItem(noted(kit));

/** What a run of this kit remembers on this phone, by what it was begun with. */
export const memory = (kit, began) => `${RUN}${kit}-${began}`;

/** All that this phone remembers of runs of a kit, by the name it is stored under. */
export const memories = kit =>
  Object.keys(localStorage)
    .filter(name => name.startsWith(`${RUN}${kit}-`))
    .map(name => [name, JSON.parse(localStorage.getItem(name))]);

/** The server has taken the run over; what was tapped since and is not sent yet goes on under its name. */
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
  $('#practise')?.addEventListener('click', () => {
    location.hash = '#practise';
    location.reload();
  });
  if (!box) return;
  if (box.getAttribute('x-data') === 'run') {
    handOver(box);
    return;
  }
  const started = await begunHere(box.dataset.run).catch(() => null);
  const practise = !started && location.hash === '#practise';
  if (!started && !practise) return;
  box.setAttribute('x-data', 'run');
  if (practise) box.dataset.practise = 'true';
  else box.dataset.started = JSON.stringify(started);
  for (const part of $$('[data-part=reading], #reading-ahead, .report-fold')) part.hidden = true;
  $('#practising').hidden = !practise;
}
