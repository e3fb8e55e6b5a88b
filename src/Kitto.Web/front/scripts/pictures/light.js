// What light falls on the card, how sharp its edges are, and whether its window holds hair.
import { apply } from './plane.js';

const linear = Float64Array.from({ length: 256 }, (_, i) => (i / 255 <= 0.04045 ? i / 255 / 12.92 : ((i / 255 + 0.055) / 1.055) ** 2.4));

/** The pixel at a place of the card, in linear light; outside the picture nothing. */
function at(picture, map, place) {
  const [x, y] = apply(map, place).map(Math.round);
  if (x < 0 || y < 0 || x >= picture.width || y >= picture.height) return null;
  const i = (y * picture.width + x) * 4;
  return [linear[picture.data[i]], linear[picture.data[i + 1]], linear[picture.data[i + 2]]];
}

const luminance = ([r, g, b]) => 0.2126 * r + 0.7152 * g + 0.0722 * b;

/** The pixels of a rectangle of the card, every half millimetre. */
function* over(picture, map, [x0, y0, x1, y1], step = 0.5) {
  for (let y = y0; y <= y1; y += step) {
    for (let x = x0; x <= x1; x += step) {
      const c = at(picture, map, [x, y]);
      if (c) yield c;
    }
  }
}

/** The light on the card's paper: how bright, how even, how much its colour turns, how much is burnt out; null where no paper is seen. */
export function light(picture, map, card) {
  const means = [];
  let count = 0;
  let clipped = 0;
  for (const place of card.paper) {
    const seen = [...over(picture, map, place)];
    if (seen.length === 0) continue;
    means.push([0, 1, 2].map(c => seen.reduce((sum, v) => sum + v[c], 0) / seen.length));
    count += seen.length;
    clipped += seen.filter(c => Math.max(...c) > 0.97).length;
  }
  if (means.length < 4 || means.some(m => Math.min(...m) <= 0.002)) return null;
  const bright = means.map(luminance);
  const turned = means.map(([r, , b]) => Math.log(r / b));
  return {
    brightness: bright.reduce((sum, v) => sum + v, 0) / bright.length,
    even: Math.min(...bright) / Math.max(...bright),
    turns: Math.max(...turned) - Math.min(...turned),
    clipped: clipped / count,
    white: [0, 1, 2].map(c => means.reduce((sum, m) => sum + m[c], 0) / means.length),
  };
}

/** How wide an edge of a marker is drawn, mm: its whole step by its steepest slope; the middle of eight edges. */
export function edgeOf(picture, map, card) {
  const reach = 22;
  const widths = card.markers.flatMap(([x, y]) =>
    [false, true].map(down => {
      const profile = Array.from({ length: 2 * reach }, (_, i) => {
        const across = (i - reach) / 10;
        let sum = 0;
        for (let along = 3; along < card.size - 3; along += 0.2) {
          sum += luminance(at(picture, map, down ? [x + along, y + across] : [x + across, y + along]) ?? [0, 0, 0]);
        }
        return sum;
      });
      const mean = values => values.reduce((sum, v) => sum + v, 0) / values.length;
      const step = mean(profile.slice(0, 6)) - mean(profile.slice(reach + 8, reach + 16));
      const steepest = Math.max(...profile.slice(1, -1).map((_, i) => ((profile[i] - profile[i + 2]) / 2) * 10));
      return step <= 0 || steepest <= 0 ? 9 : step / steepest;
    }),
  );
  widths.sort((a, b) => a - b);
  return (widths[3] + widths[4]) / 2;
}

/** Whether the window shows neither plain paper nor the tint it is printed in. */
export function windowFilled(picture, map, card, { white }) {
  const seen = [...over(picture, map, card.window, 1)].map(c => c.map((v, i) => v / white[i]));
  if (seen.length === 0) return false;
  const not = seen.filter(([r, g, b]) => Math.min(r, g, b) > 0.85 || (g > 1.25 * r && b > 1.15 * r));
  return not.length < 0.4 * seen.length;
}
