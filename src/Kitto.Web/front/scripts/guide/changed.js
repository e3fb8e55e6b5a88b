// An open page hears within seconds that its kit was stopped, moved or cancelled, or that a test was reported elsewhere.
import { $, $$ } from '../dom.js';

const EVERY = 4000;
const { page } = globalThis.document?.body?.dataset ?? {};
let typed = false;

/** What an open page does when the server would show another one: colour and stops never wait for what is being typed. */
export const answerTo = (before, now, dirty) => (before === now ? 'nothing' : /^(rinse|stopped|over|doing)\b/.test(now) || !dirty ? 'reload' : 'say');

async function look() {
  if (document.hidden) return;
  try {
    const answer = await fetch(location.pathname + '?handler=Run', { cache: 'no-store', signal: AbortSignal.timeout(10_000) });
    if (answer.status === 410) {
      location.reload();
      return;
    }
    if (!answer.ok) return;
    const now = (await answer.json()).page;
    const what = answerTo(page, now, typed);
    if (what === 'reload') location.reload();
    $('#changed').hidden = what !== 'say';
    // The network is back, and the page is as it was.
    if (what === 'nothing') $('#as-of').hidden = true;
  } catch {
    /* no network: the page says from when it is */
  }
}

export default function changed() {
  if (!page || $('.run[x-data=run]')) return;
  for (const form of $$('form')) form.addEventListener('input', () => (typed = true));
  $('#reload').addEventListener('click', () => location.reload());
  setInterval(look, EVERY);
  document.addEventListener('visibilitychange', look);
}
