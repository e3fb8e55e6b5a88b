// Numbers as people type them: a comma is a decimal point too. The server reads them again, and its word counts.
export const typed = text => Number((text || '0').trim().replace(',', '.'));

/** What a step up or down makes of a number within its range; null where no number stands there. */
export function stepped(text, by, { least = 0, most, size = 1 }) {
  const now = typed(text);
  return Number.isNaN(now) ? null : String(Math.min(most, Math.max(least, now + by * size)));
}
