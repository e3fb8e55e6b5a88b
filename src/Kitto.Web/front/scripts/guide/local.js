// Moments in this phone's own zone, with the day; timers that count down; and a clock that is wrong is said.
import { $, $$ } from '../dom.js';
import { ring } from './felt.js';
import { WRONG } from './times.js';
import { language } from './words.js';

/** A moment in words, as this phone's zone has it: with its day, or the hour alone. */
export function moment(at, short, zone) {
  const say = form => new Intl.DateTimeFormat(language(), { ...form, timeZone: zone }).format(at);
  const hour = say({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  return short ? hour : `${say({ weekday: 'long' })} ${say({ day: 'numeric', month: 'long' })}, ${hour}`;
}

/** What is left, as people say it: days of hours, hours and minutes, minutes and seconds. */
export function left(seconds) {
  const s = Math.max(0, Math.floor(seconds));
  const two = n => String(n).padStart(2, '0');
  return s >= 3600 ? `${Math.floor(s / 3600)} h ${two(Math.floor((s % 3600) / 60))} min` : `${Math.floor(s / 60)}:${two(s % 60)}`;
}

let shift = 0;

/** What this phone's clock is off by, ms, where that is so much that it is wrong; 0 where it is right. */
export const offBy = () => (Math.abs(shift) >= WRONG ? shift : 0);

/** Remembers what this phone's clock is off by, and says so where that is much. */
export function clockIsOff(by) {
  shift = by;
  const minutes = Math.round(Math.abs(by) / 60_000);
  const wrong = Math.abs(by) >= WRONG;
  document.documentElement.classList.toggle('clock-wrong', wrong);
  const box = $('#clock-wrong');
  if (!box) return;
  box.hidden = !wrong;
  if (wrong) box.textContent = (by < 0 ? box.dataset.ahead : box.dataset.behind).replace('{0}', minutes);
}

function show() {
  for (const time of $$('main time[datetime]')) time.textContent = moment(new Date(time.dateTime), 'short' in time.dataset);
}

function count() {
  for (const line of $$('[data-until]')) {
    const seconds = (Number(line.dataset.until) - Date.now() - shift) / 1000;
    ring(line.dataset.until, seconds);
    if (seconds > 0) $('b', line).textContent = left(seconds);
    else if (line.textContent !== line.dataset.over) line.textContent = line.dataset.over;
    line.hidden = seconds < -Number(line.dataset.hideAfter ?? Infinity);
  }
}

/** How far this phone is from the server: by the answer's own date, which is right to the second. */
async function compare() {
  const asked = Date.now();
  const answer = await fetch('/healthz/live', { cache: 'no-store' });
  const heard = Date.now();
  // Read, so that its connection is free for what the page has to say.
  await answer.text();
  const there = Date.parse(answer.headers.get('date'));
  if (Number.isNaN(there)) return;
  clockIsOff(there - (asked + heard) / 2);
}

/** A page that was kept says from when it is. */
function asOf() {
  const kept = document.documentElement.dataset.asOf;
  const box = $('#as-of');
  if (!box || !kept) return;
  box.textContent = box.dataset.says.replace('{0}', moment(new Date(Number(kept)), Date.now() - Number(kept) < 43_200_000));
  box.hidden = false;
}

/** After a refusal the field it is about is in sight, and has the cursor. */
function toTheField() {
  const error = $$('.error').find(e => e.textContent.trim() && !e.closest('[hidden]'));
  if (!error) return;
  error.scrollIntoView({ block: 'center', behavior: 'instant' });
  const field = error.previousElementSibling?.matches?.('input, textarea, select')
    ? error.previousElementSibling
    : $('input, textarea, select', error.parentElement);
  field?.focus({ preventScroll: true });
}

/** What is fixed at the bottom never lies over the end of a page. */
function roomForTheBar() {
  const low = $('#low');
  if (low) new ResizeObserver(() => document.body.style.setProperty('--low', `${low.offsetHeight}px`)).observe(low);
}

if (globalThis.document?.body?.classList.contains('guide')) {
  roomForTheBar();
  show();
  asOf();
  // After the browser has gone to the part of the page that the address names.
  addEventListener('load', () => setTimeout(toTheField));
  count();
  setInterval(count, 1000);
  compare().catch(() => {});
}
