// A mix as it is written in a field, "6N:0.8 5N:0.2 @20": shares of its parts, and a strength of its own behind an @.

export function read(text) {
  const words = text.split(' ').filter(word => word);
  return {
    parts: words
      .filter(word => !word.startsWith('@'))
      .map(word => word.split(':'))
      .map(([code, share]) => ({ code, share: Number(share) })),
    strength: words.find(word => word.startsWith('@')) ?? '',
  };
}

/** Parts of less than half a hundredth are left out. */
export const write = (parts, strength) =>
  [...parts.filter(p => p.share > 0.004).map(p => `${p.code}:${Number(p.share.toFixed(3))}`), strength].join(' ').trim();

/** The sum of the first parts' shares. */
export const upTo = (parts, count) => parts.slice(0, count).reduce((sum, p) => sum + p.share, 0);

/** Moves the border after part i to the nearest tenth; what one gives the other gets, and at nothing it leaves the mix. */
export function border(parts, i, to) {
  const before = upTo(parts, i);
  const both = parts[i].share + parts[i + 1].share;
  const at = Math.min(before + both, Math.max(before, Math.round(to * 10) / 10));
  return parts.map((p, n) => ({ ...p, share: n === i ? at - before : n === i + 1 ? before + both - at : p.share }));
}

/** A border that is pulled over the top of the bowl goes to the end it came nearest to, not round. */
export function unwound(parts, i, turn) {
  const before = upTo(parts, i);
  const after = upTo(parts, i + 2);
  if (turn >= before && turn <= after) return turn;
  const away = (a, b) => Math.min(Math.abs(a - b), 1 - Math.abs(a - b));
  return away(turn, before) < away(turn, after) ? before : after;
}

/** One part at a new share; the others keep their proportion in what is left. */
export const withShare = (parts, i, share) => parts.map((p, n) => ({ ...p, share: n === i ? share : (p.share * (1 - share)) / (1 - parts[i].share) }));

/** One shade more: a tenth, or half of the largest part where that is less, which gives it. */
export function withShade(parts, code) {
  const largest = parts.reduce((a, b) => (b.share > a.share ? b : a));
  const given = Math.min(0.1, largest.share / 2);
  return [...parts.map(p => (p === largest ? { ...p, share: p.share - given } : p)), { code, share: given }];
}
