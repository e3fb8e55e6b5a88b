// Times of a run, in milliseconds of the server's clock unless they say otherwise.
const two = n => String(Math.floor(n)).padStart(2, '0');

/** Seconds as minutes and seconds; what is over counts up. */
export const clock = seconds => two(Math.abs(seconds) / 60) + ':' + two(Math.abs(seconds) % 60);

/** A moment as this phone's own hour and minute. */
export function hour(ms) {
  const at = new Date(ms);
  return two(at.getHours()) + ':' + two(at.getMinutes());
}

/** A typed moment with the offset this phone has then, as 2027-03-01T10:30+01:00; null where it is none. What the phone's clock is off by, ms, is put right. */
export function withOffset(local, shift = 0) {
  const read = new Date(local);
  if (Number.isNaN(read.getTime())) return null;
  const right = shift ? localNow(new Date(read.getTime() + shift)) : local;
  const minutes = -new Date(right).getTimezoneOffset();
  return `${right}${minutes < 0 ? '-' : '+'}${two(Math.abs(minutes) / 60)}:${two(Math.abs(minutes) % 60)}`;
}

/** From so many milliseconds on a phone's clock is wrong: then no time of day is shown, only what is left. */
export const WRONG = 120_000;

/** This phone's now as a field for date and time holds it. */
export const localNow = (d = new Date()) => `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}T${two(d.getHours())}:${two(d.getMinutes())}`;

/**
 * The rinse as planned from what this phone knows, until the server has said it: once the wait has begun, its minutes after that;
 * before, not earlier than planned and not before the wait is through.
 */
export const rinseAt = ({ waitBegun, first, now, rinseMinutes, processMinutes }) =>
  waitBegun ? waitBegun + processMinutes * 60_000 : Math.max(first + rinseMinutes * 60_000, now + processMinutes * 60_000);

/** Seconds left on a timer of so many minutes that began then. */
export const secondsLeft = (minutes, begun, now) => minutes * 60 - (now - begun) / 1000;

/**
 * What this phone's clock is off by, ms, from an answer that says the server's now: met half way between asking and answering.
 * A slow answer tells less than a quick one before it; it counts only where it cannot be the same clock any more.
 */
export function betterShift({ shift, took }, serverNow, asked, answered) {
  const now = { shift: serverNow - (asked + answered) / 2, took: answered - asked };
  const said = took > 0 && now.took > took + 150 && Math.abs(now.shift - shift) <= now.took / 2 + 250;
  return said ? { shift, took } : now;
}
