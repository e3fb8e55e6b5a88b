// Finds square markers of a known dictionary: dark patches against what is round them, their four corners, the cells between.
import { apply, fit } from './plane.js';

/** Grey of a picture made smaller, and how much smaller. */
export function grey(picture, longest) {
  const by = Math.max(1, Math.max(picture.width, picture.height) / longest);
  const width = Math.floor(picture.width / by);
  const height = Math.floor(picture.height / by);
  const values = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1) {
    const y0 = Math.floor(y * by);
    const y1 = Math.max(y0 + 1, Math.floor((y + 1) * by));
    for (let x = 0; x < width; x += 1) {
      const x0 = Math.floor(x * by);
      const x1 = Math.max(x0 + 1, Math.floor((x + 1) * by));
      let sum = 0;
      for (let j = y0; j < y1; j += 1) {
        for (let i = x0; i < x1; i += 1) {
          const at = (j * picture.width + i) * 4;
          sum += 0.3 * picture.data[at] + 0.59 * picture.data[at + 1] + 0.11 * picture.data[at + 2];
        }
      }
      values[y * width + x] = sum / ((y1 - y0) * (x1 - x0));
    }
  }
  return { width, height, values, by };
}

/** Which pixels are clearly darker than the mean of what lies round them. */
function dark({ width, height, values }, reach) {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      row += values[y * width + x];
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + row;
    }
  }
  const marks = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1) {
    const y0 = Math.max(0, y - reach);
    const y1 = Math.min(height, y + reach + 1);
    for (let x = 0; x < width; x += 1) {
      const x0 = Math.max(0, x - reach);
      const x1 = Math.min(width, x + reach + 1);
      const sum = sums[y1 * (width + 1) + x1] - sums[y0 * (width + 1) + x1] - sums[y1 * (width + 1) + x0] + sums[y0 * (width + 1) + x0];
      marks[y * width + x] = values[y * width + x] < (0.8 * sum) / ((y1 - y0) * (x1 - x0)) ? 1 : 0;
    }
  }
  return marks;
}

/** The dark patches that hang together: their pixels. */
function* patches(marks, width, height, least) {
  const stack = [];
  for (let begin = 0; begin < marks.length; begin += 1) {
    if (marks[begin] !== 1) continue;
    const found = [];
    stack.push(begin);
    marks[begin] = 2;
    while (stack.length > 0) {
      const at = stack.pop();
      found.push(at);
      const x = at % width;
      const y = (at - x) / width;
      if (x > 0 && marks[at - 1] === 1) ((marks[at - 1] = 2), stack.push(at - 1));
      if (x < width - 1 && marks[at + 1] === 1) ((marks[at + 1] = 2), stack.push(at + 1));
      if (y > 0 && marks[at - width] === 1) ((marks[at - width] = 2), stack.push(at - width));
      if (y < height - 1 && marks[at + width] === 1) ((marks[at + width] = 2), stack.push(at + width));
    }
    if (found.length >= least) yield found;
  }
}

/** The four corners of a patch, clockwise as they are seen; null where it has no such shape. */
function corners(patch, width) {
  const points = patch.map(at => [at % width, Math.floor(at / width)]);
  const far = (from, by = (p, q) => (p[0] - q[0]) ** 2 + (p[1] - q[1]) ** 2) =>
    points.reduce((best, p) => (by(p, from) > by(best, from) ? p : best), points[0]);
  const mean = points.reduce(([x, y], [px, py]) => [x + px / points.length, y + py / points.length], [0, 0]);
  const a = far(mean);
  const c = far(a);
  const side = p => (c[0] - a[0]) * (p[1] - a[1]) - (c[1] - a[1]) * (p[0] - a[0]);
  const b = points.reduce((best, p) => (side(p) < side(best) ? p : best), points[0]);
  const d = points.reduce((best, p) => (side(p) > side(best) ? p : best), points[0]);
  const four = [a, b, c, d];
  const lengths = four.map((p, i) => Math.hypot(p[0] - four[(i + 1) % 4][0], p[1] - four[(i + 1) % 4][1]));
  if (Math.min(...lengths) < 10 || Math.max(...lengths) > 2.2 * Math.min(...lengths)) return null;
  const area = Math.abs(side(b) - side(d)) / 2;
  // A marker fills a good part of its own outline, and nothing of it lies outside.
  return points.length > 0.4 * area && points.length < 1.25 * area ? four : null;
}

/** Its sides as straight lines through the pixels along them, met at the corners: finer than a pixel. */
function refined(four, image) {
  const lines = four.map((p, i) => {
    const q = four[(i + 1) % 4];
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
    const [tx, ty] = [(q[0] - p[0]) / length, (q[1] - p[1]) / length];
    const middle = four.reduce(([x, y], [px, py]) => [x + px / 4, y + py / 4], [0, 0]);
    let [nx, ny] = [ty, -tx];
    if ((middle[0] - p[0]) * nx + (middle[1] - p[1]) * ny > 0) [nx, ny] = [-nx, -ny];
    // Where the step from dark to light is steepest, across the side, at places along it.
    const edges = [];
    for (let t = 0.15; t <= 0.85; t += 0.05) {
      let best = 0;
      let where = null;
      for (let s = -4; s <= 4; s += 0.25) {
        const at = k => bilinear(image, p[0] + tx * t * length + nx * (s + k), p[1] + ty * t * length + ny * (s + k));
        const step = at(0.75) - at(-0.75);
        if (step > best) ((best = step), (where = s));
      }
      if (where !== null) edges.push([p[0] + tx * t * length + nx * where, p[1] + ty * t * length + ny * where]);
    }
    return edges.length < 5 ? null : line(edges);
  });
  if (lines.some(l => l === null)) return four;
  const met = lines.map((l, i) => meet(lines[(i + 3) % 4], l));
  return met.some((p, i) => !p || Math.hypot(p[0] - four[i][0], p[1] - four[i][1]) > 6) ? four : met;
}

/** The line nearest to points: a point on it and its direction. */
function line(points) {
  const n = points.length;
  const [mx, my] = points.reduce(([x, y], [px, py]) => [x + px / n, y + py / n], [0, 0]);
  let [xx, xy, yy] = [0, 0, 0];
  for (const [x, y] of points) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return [mx, my, Math.cos(angle), Math.sin(angle)];
}

function meet([ax, ay, adx, ady], [bx, by, bdx, bdy]) {
  const cross = adx * bdy - ady * bdx;
  if (Math.abs(cross) < 1e-6) return null;
  const t = ((bx - ax) * bdy - (by - ay) * bdx) / cross;
  return [ax + adx * t, ay + ady * t];
}

function bilinear({ width, height, values }, x, y) {
  const cx = Math.min(Math.max(x, 0), width - 1.001);
  const cy = Math.min(Math.max(y, 0), height - 1.001);
  const ix = Math.floor(cx);
  const iy = Math.floor(cy);
  const [fx, fy] = [cx - ix, cy - iy];
  const at = iy * width + ix;
  return (values[at] * (1 - fx) + values[at + 1] * fx) * (1 - fy) + (values[at + width] * (1 - fx) + values[at + width + 1] * fx) * fy;
}

/** Which marker it is and how it is turned; null: none of them. */
function named(four, image, words) {
  const map = fit(
    [
      [0, 0],
      [6, 0],
      [6, 6],
      [0, 6],
    ],
    four,
  );
  if (!map) return null;
  const cell = (x, y) => bilinear(image, ...apply(map, [x + 0.5, y + 0.5]));
  const border = [];
  const inner = [];
  for (let y = 0; y < 6; y += 1) {
    for (let x = 0; x < 6; x += 1) (x % 5 === 0 || y % 5 === 0 ? border : inner).push(cell(x, y));
  }
  const black = border.reduce((sum, v) => sum + v, 0) / border.length;
  const white = Math.max(...inner);
  if (white < 1.5 * black + 5) return null;
  const cut = (black + white) / 2;
  if (border.filter(v => v > cut).length > 1) return null;
  const bits = inner.map(v => (v > cut ? '1' : '0'));
  for (let turn = 0; turn < 4; turn += 1) {
    // As it would be read begun at the next corner.
    const turned = bits.map((_, i) => {
      let [x, y] = [i % 4, Math.floor(i / 4)];
      for (let k = 0; k < turn; k += 1) [x, y] = [3 - y, x];
      return bits[y * 4 + x];
    });
    const id = words.findIndex(word => [...word].filter((bit, i) => bit !== turned[i]).length <= 1);
    if (id >= 0) return [id, four.map((_, i) => four[(i + turn) % 4])];
  }
  return null;
}

/**
 * The markers that are seen, by number: their four corners, clockwise from their own upper left, in pixels of the picture.
 * @param {string[]} words The dictionary: inner cells row by row, 1 is white.
 * @param {number} longest The picture is looked at no longer than this.
 */
export function findMarkers(picture, words, longest) {
  const image = grey(picture, longest);
  const found = new Map();
  const most = (image.width * image.height) / 12;
  for (const patch of patches(dark(image, Math.round(Math.max(image.width, image.height) / 18)), image.width, image.height, 90)) {
    if (patch.length > most) continue;
    const rough = corners(patch, image.width);
    const [id, four] = (rough && named(refined(rough, image), image, words)) ?? [];
    if (id !== undefined && !found.has(id)) {
      found.set(
        id,
        four.map(([x, y]) => [(x + 0.5) * image.by - 0.5, (y + 0.5) * image.by - 0.5]),
      );
    }
  }
  return found;
}
