// A line of a scale's text into a reading: grams, whether it is steady, or what is wrong with it. The pattern is the house's.

/** What a line says; null where it is empty. */
export function read(line, pattern) {
  const text = line.trim();
  if (text === '') return null;
  const match = pattern.exec(text);
  if (!match) return { wrong: `The scale says “${text.slice(0, 40)}”, which is no reading.`, text };
  const { value, unit, steady, moving, over } = match.groups ?? {};
  if (over !== undefined) return { wrong: 'Too much is on the scale.', over: true };
  const grams = Number((value ?? '').replaceAll(/\s/g, ''));
  if (value === undefined || Number.isNaN(grams)) return { wrong: `The scale says “${text.slice(0, 40)}”, and no number.`, text };
  if (unit !== undefined && unit.toLowerCase() !== 'g') return { wrong: `The scale shows ${unit}. Switch it to grams.`, unit };
  // Where the pattern has no mark for steady, the readings themselves decide.
  const marks = /\(\?<(steady|moving)>/.test(pattern.source);
  return { grams, steady: marks ? steady !== undefined || (moving === undefined && !/\(\?<steady>/.test(pattern.source)) : null };
}

/** Says when readings are steady: alike within a step for so long, and marked so where the scale marks. */
export function steadiness(step, wait = 500) {
  let from = 0;
  let least = Infinity;
  let most = -Infinity;
  return {
    /** Takes a reading at a moment, ms; says since how long it is steady, ms, 0 where it is not. */
    take({ grams, steady }, at) {
      const [low, high] = [Math.min(least, grams), Math.max(most, grams)];
      if (steady === false || high - low > step + 1e-9) {
        [from, least, most] = [at, grams, grams];
        return 0;
      }
      [least, most] = [low, high];
      return at - from >= wait ? at - from : 0;
    },
    reset(at) {
      [from, least, most] = [at, Infinity, -Infinity];
    },
  };
}

/** Whether a step from one reading to the next is more than a hand pours between two of them. */
export const jumped = (before, now, ms) => Math.abs(now - before) > 25 + (ms / 1000) * 200;
