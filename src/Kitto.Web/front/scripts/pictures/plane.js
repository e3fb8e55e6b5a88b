// From the plane of the card to the picture: a homography by least squares (the direct linear transform with the last entry 1).

/** The homography that takes points to others: nine entries row by row; null where there is none. */
export function fit(from, to) {
  // Eight unknowns; normal equations, on points made of like size.
  const a = Array.from({ length: 8 }, () => new Float64Array(9));
  const add = (row, value) => {
    for (let i = 0; i < 8; i += 1) {
      for (let j = 0; j < 8; j += 1) a[i][j] += row[i] * row[j];
      a[i][8] += row[i] * value;
    }
  };
  const big = Math.max(1, ...to.flat().map(Math.abs));
  const wide = Math.max(1, ...from.flat().map(Math.abs));
  from.forEach(([x0, y0], i) => {
    const [x, y] = [x0 / wide, y0 / wide];
    const [u, v] = [to[i][0] / big, to[i][1] / big];
    add([x, y, 1, 0, 0, 0, -u * x, -u * y], u);
    add([0, 0, 0, x, y, 1, -v * x, -v * y], v);
  });
  for (let c = 0; c < 8; c += 1) {
    let best = c;
    for (let r = c + 1; r < 8; r += 1) if (Math.abs(a[r][c]) > Math.abs(a[best][c])) best = r;
    if (Math.abs(a[best][c]) < 1e-12) return null;
    [a[c], a[best]] = [a[best], a[c]];
    for (let r = 0; r < 8; r += 1) {
      if (r === c) continue;
      const share = a[r][c] / a[c][c];
      for (let j = c; j < 9; j += 1) a[r][j] -= share * a[c][j];
    }
  }
  const h = a.map((row, i) => row[8] / row[i]);
  return [(h[0] * big) / wide, (h[1] * big) / wide, h[2] * big, (h[3] * big) / wide, (h[4] * big) / wide, h[5] * big, h[6] / wide, h[7] / wide, 1];
}

/** Where a point comes to. */
export function apply(h, [x, y]) {
  const w = h[6] * x + h[7] * y + h[8];
  return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
}

/** How far a plane is stretched at a point, most and least: the singular values there. */
export function stretch(h, p) {
  const [x, y] = apply(h, p);
  const [xx, xy] = apply(h, [p[0] + 1, p[1]]);
  const [yx, yy] = apply(h, [p[0], p[1] + 1]);
  const [a, b, c, d] = [xx - x, yx - x, xy - y, yy - y];
  const sum = a * a + b * b + c * c + d * d;
  const root = Math.sqrt(Math.max(0, sum * sum - 4 * (a * d - b * c) ** 2));
  return [Math.sqrt((sum + root) / 2), Math.sqrt(Math.max(0, (sum - root) / 2))];
}
