// From the first opening on the guide needs no network: a worker keeps what it is made of, and what could not be sent goes when it can.
import { $, $$ } from '../dom.js';
import { isPhoto, sendPhotos } from './photos.js';
import { all, alone, handler, send } from './unsent.js';

const here = location.pathname;

/** Asks the worker to keep this page and what it is made of. */
async function keepPage() {
  const asks = here.startsWith('/ask/');
  const worker = await navigator.serviceWorker.register('/lib/worker.js' + (asks ? '?ask' : ''), { scope: asks ? '/ask/' : '/g/', updateViaCache: 'none' });
  const ready = await navigator.serviceWorker.ready;
  const made = [
    ...performance
      .getEntriesByType('resource')
      .map(r => r.name)
      .filter(name => new URL(name).pathname.startsWith('/lib/')),
    ...$$('link[rel=stylesheet], script[src]').map(e => e.href || e.src),
    // Fetched only when a picture is looked at.
    ...($('#pictures') ? [new URL('/lib/card.js', location).href] : []),
  ];
  navigator.serviceWorker.addEventListener('message', event => {
    if (event.data?.kept === here) document.documentElement.dataset.kept = 'true';
  });
  (ready.active ?? worker.active)?.postMessage({ page: here, made: [...new Set(made)] });
}

/** Says what is not sent yet; nothing where all is. */
async function show() {
  const waiting = new Set((await all()).map(item => handler(item.action)));
  const box = $('#unsent');
  if (!box) return waiting.size;
  for (const line of $$('[data-unsent]', box)) line.hidden = !waiting.has(line.dataset.unsent);
  box.hidden = !$$('[data-unsent]', box).some(line => !line.hidden);
  return waiting.size;
}

/** What was typed goes the ordinary way once more, so that the page can say what is wrong with it and give it back. */
function ask(item) {
  const form = Object.assign(document.createElement('form'), { method: 'post', action: item.action, hidden: true });
  for (const [name, value] of item.fields.filter(([, v]) => typeof v === 'string')) {
    form.append(Object.assign(document.createElement('input'), { type: 'hidden', name, value }));
  }
  document.body.append(form);
  form.submit();
}

/** Sends what was said; what the page has to ask about comes back. Null: another page is at it. */
const sendWords = () =>
  alone('kitto-unsent', async () => {
    let sent = 0;
    const asked = [];
    for (const item of await all()) {
      // That a run was begun is told by the run itself, before its first step.
      if (handler(item.action) === 'Start' || isPhoto(item)) continue;
      const answer = await send(item);
      sent += 1;
      if (answer.ok && !answer.redirected) asked.push(item);
    }
    return { sent, asked };
  });

async function flush() {
  if ((await show()) === 0 || !navigator.onLine) return;
  try {
    const words = await sendWords();
    // No word waits for a picture that takes its time.
    const pictures = await alone('kitto-pictures', () => sendPhotos());
    // All has gone before anything is asked back: a reaction waits for no field that is wrong.
    await show();
    if (words?.asked.length > 0) ask(words.asked[0]);
    else if (words?.sent > 0 || pictures > 0) location.reload();
  } catch {
    // No network yet.
  }
}

if ('indexedDB' in window) {
  // What was said on the page of the questions waits and goes in the same way.
  flush();
  addEventListener('online', flush);
  setInterval(flush, 5000);
  if ($('#unsent') && 'serviceWorker' in navigator) keepPage().catch(() => {});
}
