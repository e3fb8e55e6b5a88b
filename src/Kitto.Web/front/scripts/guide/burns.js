import { $, $$ } from '../dom.js';
import { all, drop, handler, keep } from './unsent.js';

// It burns or itches: the words are in the page; the message goes when there is a network, however often the page is opened again before.
// Without scripts the form goes by itself.
const burns = $('#burns');
const waiting = async () => (await all()).filter(i => handler(i.action) === 'Burns' && i.action.startsWith(location.pathname));

$('[data-shut=burns]')?.addEventListener('click', async () => {
  burns.open = false;
  // It was nothing: a stop that has not gone out yet does not go out.
  for (const item of await waiting().catch(() => [])) await drop(item.key);
  $('#burns-said').textContent = '';
  for (const line of $$('[data-unsent=Burns]')) line.hidden = true;
});
$('#burns-form')?.addEventListener('submit', async event => {
  event.preventDefault();
  const form = event.target;
  const said = $('#burns-said');
  const fields = [...new FormData(form).entries()];
  // Kept before it is sent: a page that is closed or loaded again at this moment loses nothing.
  const { pathname, search } = new URL(form.action);
  const key = await keep(pathname + search, fields).catch(() => null);
  try {
    const answer = await fetch(form.action, { method: 'POST', body: new URLSearchParams(fields) });
    // A closed link answers 410 and has taken it all the same.
    if (!answer.ok && answer.status !== 410) throw new Error(String(answer.status));
    if (key) await drop(key);
    if (answer.status === 410) {
      said.textContent = said.dataset.told;
      return;
    }
    location.href = answer.url;
  } catch {
    said.textContent = said.dataset.later;
  }
});
