// What the phone sees of a picture with the card: drawn here pixel by pixel, from aside, in lights of its own.
import test from 'node:test';
import assert from 'node:assert/strict';
import { look } from '../../src/Kitto.Web/front/scripts/card.js';
import { apply, fit, stretch } from '../../src/Kitto.Web/front/scripts/pictures/plane.js';

const card = {
  size: 14,
  cells: ['1011010100110010', '0000111110011010', '0011001100101101', '1001100101000110'],
  markers: [
    [3, 4],
    [75, 4],
    [75, 98],
    [3, 98],
  ],
  paper: [0, 1, 2, 3, 4].flatMap(i => [5, 77].map(x => [x + 0.9, 34.9 + i * 13.6, x + 9.1, 36.7 + i * 13.6])),
  window: [28, 9, 64, 91],
  limits: { tilt: 38, bend: 0.3, edge: 0.62, fine: 5, dark: 0.12, clipped: 0.3, turn: 0.28, even: 0.35 },
};
const coded = v => 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

/** What lies at a place of the card's plane: reflectance of red, green, blue. */
function plane(x, y, { hair = [0.08, 0.05, 0.03], covered = false }) {
  if (x < 0 || y < 0 || x > 92 || y > 130) return [0.2 + 0.02 * Math.sin(x * 3), 0.18, 0.15];
  if (covered && y > 95 && y < 120) return [0.5, 0.35, 0.25];
  if (x > 21 && x < 71 && y > 5 && y < 95) return hair.map(v => v * (1 + 0.3 * Math.sin(x * 9 + y)));
  for (const [id, [mx, my]] of card.markers.entries()) {
    const [i, j] = [Math.floor(((x - mx) / 14) * 6), Math.floor(((y - my) / 14) * 6)];
    if (i >= 0 && j >= 0 && i < 6 && j < 6)
      return i % 5 === 0 || j % 5 === 0 || card.cells[id][(j - 1) * 4 + i - 1] === '0' ? [0.04, 0.04, 0.04] : [0.86, 0.86, 0.86];
  }
  return [0.86, 0.86, 0.86];
}

/** A picture of it: turned, from aside, in a light that may turn or fade across. */
function picture({ turn = 0.2, tilt = 0, exposure = 0.75, warm = () => 0, width = 720, height = 960, ...scene } = {}) {
  const data = new Uint8ClampedArray(width * height * 4);
  const s = (width * 0.72) / 92;
  const to = [
    s * Math.cos(turn),
    -s * Math.sin(turn),
    width * 0.2,
    s * Math.sin(turn),
    s * Math.cos(turn) * Math.cos(tilt),
    height * 0.08,
    0,
    tilt * 0.0015,
    1,
  ];
  const corners = [
    [0, 0],
    [92, 0],
    [92, 130],
    [0, 130],
  ];
  const back = fit(
    corners.map(p => apply(to, p)),
    corners,
  );
  for (let v = 0; v < height; v += 1) {
    for (let u = 0; u < width; u += 1) {
      const [x, y] = apply(back, [u, v]);
      const [r, g, b] = plane(x, y, scene);
      const w = warm(x);
      const i = (v * width + u) * 4;
      data.set([coded((r * exposure * Math.exp(w / 2)) / 0.86), coded((g * exposure) / 0.86), coded((b * exposure * Math.exp(-w / 2)) / 0.86), 255], i);
    }
  }
  return { width, height, data };
}

test('a plane seen from aside is found again from its corners, and so is how far it is stretched', () => {
  const map = [7, 1.2, 300, -0.8, 5, 200, 0.0004, 0.0009, 1];
  const from = card.markers.flatMap(([x, y]) => [
    [x, y],
    [x + 14, y],
    [x + 14, y + 14],
  ]);
  const found = fit(
    from,
    from.map(p => apply(map, p)),
  );
  for (const p of [
    [0, 0],
    [50, 60],
    [90, 129],
  ]) {
    const [a, b] = [apply(map, p), apply(found, p)];
    assert.ok(Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-6);
  }
  const [most, least] = stretch([3, 0, 10, 0, 2, 20, 0, 0, 1], [5, 5]);
  assert.ok(Math.abs(most - 3) < 1e-9 && Math.abs(least - 2) < 1e-9);
});

test('a good picture is let through however it is turned, in warm light too', () => {
  for (const turn of [0, 0.2, -0.12]) assert.equal(look(picture({ turn }), card), null, `turned by ${turn}`);
  assert.equal(look(picture({ exposure: 0.5, warm: () => 0.8 }), card), null);
});

test('what a phone can see is told by its reason', () => {
  assert.equal(look(picture({ covered: true }), card), 'noCard');
  assert.equal(look(picture({ exposure: 0.06 }), card), 'tooDark');
  assert.equal(look(picture({ exposure: 1.6 }), card), 'tooBright');
  assert.equal(look(picture({ warm: x => (x - 46) / 60 }), card), 'twoLights');
  assert.equal(look(picture({ hair: [0.86, 0.86, 0.86] }), card), 'noHair');
  assert.equal(look(picture({ hair: [0.12, 0.35, 0.32] }), card), 'noHair');
  assert.equal(look(picture({ tilt: 0.9 }), card), 'tooTilted');
  assert.equal(look({ width: 60, height: 40, data: new Uint8ClampedArray(60 * 40 * 4) }, card), 'noCard');
});
