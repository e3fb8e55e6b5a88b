// What becomes of a steady reading: nothing, kept, or a word to the one who pours. Nothing is decided about the mix here.

/**
 * @param {{ net: number, there: number, partThere: number, target: number, band: number, step: number, steadyFor: number }} at
 * net: grams in the vessel by the scale; there: grams kept of it; partThere: grams kept of this part; target and band: of this part.
 */
export function judge({ net, there, partThere, target, band, step, steadyFor }) {
  const now = partThere + net - there;
  const rest = target - now;
  if (net < there - Math.max(2 * step, 0.3)) return { rest, keep: false, says: 'Less is on the scale than is in it. Was something taken out?' };
  const more = net - there;
  if (rest > band + 1e-9) return { rest, keep: more >= 2 * step && steadyFor >= 1500, says: '' };
  if (rest < -band - 1e-9) return { rest, keep: more > step / 2 && steadyFor >= 700, says: 'Too much.' };
  return { rest, keep: more > step / 2 && steadyFor > 0, right: true, says: 'Right. Hold still.' };
}

/** The reading that stands for an empty vessel, so that what is in it counts from there. */
export const base = (raw, there) => raw - there;
