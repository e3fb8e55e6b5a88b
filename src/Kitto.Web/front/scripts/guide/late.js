// A run that this phone has not sent, on a page that is not its own: the kit was cancelled, stopped or reported meanwhile. It is sent, and until then the page says: rinse.
import { $, $$ } from '../dom.js';
import { forgetBegun, memories } from './begun.js';

const { kit } = globalThis.document?.body?.dataset ?? {};

/** Words of a run that have not gone, in the order in which they were tapped, by this phone's clock. */
export function unsentWords(remembered, started) {
  const words = remembered.flatMap(([, run]) => run.unsent ?? []);
  if (started && !remembered.some(([, run]) => run.started)) words.unshift({ id: started.id, word: 'start', step: 0, raw: started.raw });
  return words.sort((a, b) => a.raw - b.raw);
}

async function send(words) {
  const asked = Date.now();
  const stand = await (await fetch(location.pathname + '?handler=Run', { cache: 'no-store' })).json();
  const shift = stand.now - (asked + Date.now()) / 2;
  const body = new URLSearchParams({ steps: words.map(w => `${w.id} ${w.word} ${w.step} ${Math.round(w.raw + shift)}`).join('\n') });
  const answer = await fetch(location.pathname + '?handler=Run', { method: 'POST', body });
  if (!answer.ok) throw new Error(String(answer.status));
  for (const [name] of memories(kit)) localStorage.removeItem(name);
  forgetBegun(kit);
  location.reload();
}

export default function late() {
  if (!kit || $('.run[x-data=run]')) return;
  const remembered = memories(kit);
  const started = JSON.parse(localStorage.getItem('kitto-begun-' + kit) ?? 'null');
  const words = unsentWords(remembered, started);
  if (words.length === 0) return;
  const colour = remembered.some(([, run]) => run.first) || started?.colour;
  // Nothing on the page says begin, over or thank you beside that.
  if (colour) for (const part of $$('main > *')) part.hidden = !['late-run', 'low', 'unsent'].includes(part.id);
  $('#late-run').hidden = !colour;
  const go = () => send(words).catch(() => setTimeout(go, 4000));
  go();
}
