// Moments on this phone's own clock, with the day; timers that count down; and a clock that is wrong is told.
import { $, $$ } from '../dom.js';
import { ring } from './felt.js';
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
  shift = there - (asked + heard) / 2;
  const minutes = Math.round(Math.abs(shift) / 60000);
  const box = $('#clock-wrong');
  if (!box) return;
  box.hidden = minutes < 2;
  if (minutes >= 2) box.textContent = (shift < 0 ? box.dataset.ahead : box.dataset.behind).replace('{0}', minutes) + ' ' + box.dataset.all;
}

if (globalThis.document?.body?.classList.contains('guide')) {
  show();
  count();
  setInterval(count, 1000);
  compare().catch(() => {});
}
