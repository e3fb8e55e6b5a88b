// Looks at a picture on the phone before it is sent: whether the card is whole, flat, sharp and in one light, and hair in its window.
// The studio's machine measures it anew; this only saves a picture that nobody could measure. All numbers come with the page.
import { findMarkers } from './pictures/markers.js';
import { apply, fit, stretch } from './pictures/plane.js';
import { edgeOf, light, windowFilled } from './pictures/light.js';

/** Corners of the card's markers that were found, and where they are in the picture. */
function pairs(found, card) {
  const from = [];
  const to = [];
  for (const [id, corners] of found) {
    const [x, y] = card.markers[id];
    const s = card.size;
    from.push([x, y], [x + s, y], [x + s, y + s], [x, y + s]);
    to.push(...corners);
  }
  return [from, to];
}

/**
 * What is wrong with a picture; null: nothing that a phone can see.
 * @param {{width: number, height: number, data: Uint8ClampedArray}} picture
 * @param {object} card The card, its limits: as the page tells them.
 */
export function look(picture, card) {
  const { limits } = card;
  // A blurred card is found when it is made small, so that it is told for its blur.
  let found = new Map();
  for (const longest of [1400, 700, 350]) {
    found = findMarkers(picture, card.cells, longest);
    if (found.size >= 3) break;
  }
  if (found.size < 3) return 'noCard';
  const [from, to] = pairs(found, card);
  const map = fit(from, to);
  if (!map) return 'noCard';
  const middle = [(card.window[0] + card.window[2]) / 2, (card.window[1] + card.window[3]) / 2];
  const [most, least] = stretch(map, middle);
  if ((Math.acos(Math.min(1, least / most)) * 180) / Math.PI > limits.tilt) return 'tooTilted';
  if (least < limits.fine || edgeOf(picture, map, card) > limits.edge) return 'blurred';
  const missed = Math.sqrt(
    from.reduce((sum, p, i) => {
      const [x, y] = apply(map, p);
      return sum + (x - to[i][0]) ** 2 + (y - to[i][1]) ** 2;
    }, 0) / from.length,
  );
  // Corners are found here to half a pixel only: a little more is let pass than where it is measured.
  if (missed / least > limits.bend * 1.5 + 0.5 / least) return 'notFlat';
  const seen = light(picture, map, card);
  if (!seen || seen.brightness < limits.dark) return 'tooDark';
  if (seen.turns > limits.turn || seen.even < limits.even) return 'twoLights';
  if (seen.clipped > limits.clipped) return 'tooBright';
  return windowFilled(picture, map, card, seen) ? null : 'noHair';
}
