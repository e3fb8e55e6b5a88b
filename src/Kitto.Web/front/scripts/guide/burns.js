import { $, $$ } from '../dom.js';
import { all, drop, handler, keep } from './unsent.js';

// It burns or itches: what to do is in the page; the report is saved on the phone first and sent until it has gone, however often the page is opened again.
// Without scripts the form goes by itself.
const SLOW = 5000;
const GIVE_UP = 15_000;
const burns = $('#burns');
const said = $('#burns-said');
const cancel = $('#burns-cancel');
const waiting = async () => (await all()).filter(i => handler(i.action) === 'Burns' && i.action.startsWith(location.pathname));

/** Shows what to do for where the colour is. */
function advise() {
  const felt = $('[name=felt]:checked', burns)?.value;
  for (const part of $$('[data-felt]', burns)) part.hidden = part.dataset.felt !== felt;
}

async function showCancel() {
  if (cancel) cancel.hidden = (await waiting().catch(() => [])).length === 0;
}

if (burns) {
  burns.addEventListener('change', advise);
  burns.addEventListener('toggle', showCancel);
}

$('[data-shut=burns]')?.addEventListener('click', () => {
  burns.open = false;
});

let sending = null;

// A report that has not gone out yet can be cancelled here; one that has gone is cancelled on the page that answers it.
cancel?.addEventListener('click', async () => {
  sending?.abort();
  for (const item of await waiting().catch(() => [])) await drop(item.key);
  said.textContent = '';
  for (const line of $$('[data-unsent=Burns]')) line.hidden = true;
  cancel.hidden = true;
  burns.open = false;
});

$('#burns-form')?.addEventListener('submit', async event => {
  event.preventDefault();
  const form = event.target;
  const fields = [...new FormData(form).entries()];
  // At once: a line that hangs is no reason to see nothing.
  said.textContent = said.dataset.sending;
  const slow = setTimeout(() => {
    said.textContent = said.dataset.slow;
    $('.call', burns)?.focus();
  }, SLOW);
  const { pathname, search } = new URL(form.action);
  const key = await keep(pathname + search, fields).catch(() => null);
  showCancel();
  try {
    sending = new AbortController();
    setTimeout(() => sending.abort(), GIVE_UP);
    const answer = await fetch(form.action, { method: 'POST', body: new URLSearchParams(fields), signal: sending.signal });
    // A closed link answers 410 and has taken it all the same.
    if (!answer.ok && answer.status !== 410) throw new Error(String(answer.status));
    if (key) await drop(key);
    clearTimeout(slow);
    if (answer.status === 410) {
      said.textContent = said.dataset.told;
      return;
    }
    location.href = answer.url;
  } catch {
    clearTimeout(slow);
    if ((await waiting().catch(() => [1])).length > 0) said.textContent = said.dataset.slow;
  }
});
